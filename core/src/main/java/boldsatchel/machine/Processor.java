package boldsatchel.machine;

/** Families of processor: what a program was made for. */
public enum Processor {
    /** 64-bit x86. */
    X86_64("x86, 64 bit"),
    /** 32-bit x86. */
    X86_32("x86, 32 bit"),
    /** 64-bit Arm. */
    ARM_64("Arm, 64 bit"),
    /** 32-bit Arm that runs a full system. */
    ARM_32("Arm, 32 bit"),
    /** 64-bit RISC-V. */
    RISC_V_64("RISC-V, 64 bit"),
    /** A microcontroller: runs what was written for it. */
    MICROCONTROLLER("microcontroller");

    private final String words;

    Processor(String words) {
        this.words = words;
    }

    /** As written in a sentence. */
    public String words() {
        return words;
    }

    /** Whether it runs programs of another family without emulation. */
    public boolean runs(Processor program) {
        return this == program || (this == X86_64 && program == X86_32) || (this == ARM_64 && program == ARM_32);
    }
}
