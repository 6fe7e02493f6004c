package boldsatchel.quantity;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * What people call a record, or a field of one, what it is measured in, how far it goes, and what is taken where a file leaves it out. Stands beside each field
 * once; forms, files, workings and the schema obey it (see {@link Form}).
 */
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.RECORD_COMPONENT, ElementType.TYPE})
public @interface Label {

    /** As written beside a field, without its owner: {@code busy power}. */
    String value();

    /** What a number measures. */
    Quantity in() default Quantity.COUNT;

    /**
     * Taken where a file leaves the field out: the value of a number or figure (a guess then), the place of a word in its list, how many
     * default elements a list begins with.
     */
    double absent() default 0;

    /** Least it can be, in the stored unit; not a number for what its quantity allows. */
    double least() default Double.NaN;

    /** Most it can be, in the stored unit; not a number for what its quantity allows. */
    double most() default Double.NaN;

    /** Least that is usual; what is less is worth a second look. Not a number for what its quantity says. */
    double usualLeast() default Double.NaN;

    /** Most that is usual; not a number for what its quantity says. */
    double usualMost() default Double.NaN;

    /** Whether a file must have it, because nothing could be taken instead: ids and what points at them. */
    boolean needed() default false;
}
