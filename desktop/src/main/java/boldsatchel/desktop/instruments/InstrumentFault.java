package boldsatchel.desktop.instruments;

/** Why an instrument does not do what it is asked: what happened, and what to do. */
public final class InstrumentFault extends Exception {
    private static final long serialVersionUID = 1;

    private final boolean lineIsGone;

    InstrumentFault(String message, boolean lineIsGone) {
        super(message);
        this.lineIsGone = lineIsGone;
    }

    /** Whether it has to be called again before it can be asked anything. */
    public boolean lineIsGone() {
        return lineIsGone;
    }
}
