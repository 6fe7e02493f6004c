package boldsatchel.abilities;

import boldsatchel.machine.Processor;
import java.util.OptionalDouble;

/**
 * How much slower a program runs that was made for another processor, by translating its instructions. Guesses for programs that reckon:
 * an instruction of one family becomes two to five of another, and flags and memory order cost more.
 */
public final class Emulation {

    /** The translated program and a second set of libraries take so many times the program's own memory; a guess. */
    public static final double MEMORY_FACTOR = 1.5;

    private static final double ALIKE = 3;
    private static final double UNLIKE = 6;
    private static final double NARROW = 12;

    private Emulation() {}

    /**
     * How many times as long it takes; 1 on its own family, empty where it does not run at all.
     *
     * @param host the processor there is
     * @param made the one that the program was made for
     */
    public static OptionalDouble slowdown(Processor host, Processor made) {
        if (host.runs(made)) {
            return OptionalDouble.of(1);
        }
        if (host == Processor.MICROCONTROLLER || made == Processor.MICROCONTROLLER) {
            return OptionalDouble.empty();
        }
        boolean narrow = host == Processor.X86_32 || host == Processor.ARM_32;
        boolean intoRisc = host == Processor.RISC_V_64 || made == Processor.RISC_V_64;
        return OptionalDouble.of(narrow ? NARROW : intoRisc ? UNLIKE : ALIKE);
    }

    /** Memory that a program takes, GB. */
    public static double memoryGb(double ownGb, double slowdown) {
        return slowdown > 1 ? ownGb * MEMORY_FACTOR : ownGb;
    }
}
