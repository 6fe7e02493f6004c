package boldsatchel.hunt;

import java.util.List;

/** Why symptoms, checks and causes cannot be taken out of a file: every fault of it, with its place. */
public final class HuntFault extends Exception {
    private static final long serialVersionUID = 1;
    private static final int MOST_TOLD = 6;

    /**
     * From at least one fault.
     *
     * @param faults each a sentence with its place
     */
    public HuntFault(List<String> faults) {
        super(String.join("\n", faults.subList(0, Math.min(MOST_TOLD, faults.size())))
                + (faults.size() > MOST_TOLD ? "\nand " + (faults.size() - MOST_TOLD) + " more." : ""));
    }
}
