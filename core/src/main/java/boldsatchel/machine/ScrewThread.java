package boldsatchel.machine;

/** Metric coarse threads (ISO 261) with the usual clearance holes (ISO 273, medium). */
public enum ScrewThread {
    /** For M2. */
    M2("M2", 2, 0.4, 2.4),
    /** For M2.5. */
    M2_5("M2.5", 2.5, 0.45, 2.9),
    /** For M3. */
    M3("M3", 3, 0.5, 3.4),
    /** For M4. */
    M4("M4", 4, 0.7, 4.5),
    /** For M5. */
    M5("M5", 5, 0.8, 5.5);

    private final String words;
    private final double diameterMm;
    private final double pitchMm;
    private final double clearanceMm;

    ScrewThread(String words, double diameterMm, double pitchMm, double clearanceMm) {
        this.words = words;
        this.diameterMm = diameterMm;
        this.pitchMm = pitchMm;
        this.clearanceMm = clearanceMm;
    }

    /** Its designation. */
    public String words() {
        return words;
    }

    /** Outside of the screw, mm. */
    public double diameterMm() {
        return diameterMm;
    }

    /** Hole for the tap: diameter less pitch, mm. */
    public double tapMm() {
        return diameterMm - pitchMm;
    }

    /** Hole that the screw passes, mm. */
    public double clearanceMm() {
        return clearanceMm;
    }
}
