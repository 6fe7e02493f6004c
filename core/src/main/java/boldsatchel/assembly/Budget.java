package boldsatchel.assembly;

/** How much is looked at before a search gives up: a heap of parts thrown into one another has no order, and is not to take for ever to say so. */
final class Budget {

    private long left;

    /**
     * @param most looks
     */
    Budget(long most) {
        left = most;
    }

    /** Takes some of what is left; whether there was any. */
    boolean spend(int looks) {
        left -= looks;
        return left >= 0;
    }

    /** Whether something was not looked at for want of it. */
    boolean isSpent() {
        return left < 0;
    }
}
