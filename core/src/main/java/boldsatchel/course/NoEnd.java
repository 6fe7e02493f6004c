package boldsatchel.course;

/** A motion that comes to no end, or that has no rate; in words that end no sentence. */
public final class NoEnd extends RuntimeException {

    private static final long serialVersionUID = 1;

    /** A motion comes to no end. */
    public NoEnd(String why) {
        super(why);
    }
}
