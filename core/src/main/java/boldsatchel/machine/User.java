package boldsatchel.machine;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.Optional;

/**
 * Who uses the machine, as far as sizes matter.
 *
 * @param statureMm height without shoes
 * @param eyesMm from the eyes to the screen; absent where it follows from where the hands are
 * @param capitalsPx height of capital letters as the system draws them, pixels
 * @param palmsMm height of a rest that lies before the keys; absent where the palms lie on the table
 */
public record User(
        @Label(value = "Height", in = Quantity.LENGTH, absent = 1700, least = 1000, most = 2300)
        double statureMm,

        @Label(value = "Eyes from the screen", in = Quantity.LENGTH, least = 100, most = 3000)
        Optional<Double> eyesMm,

        @Label(value = "Capitals drawn, pixels", absent = 11, least = 3, most = 200)
        double capitalsPx,

        @Label(value = "Palm rest before the keys", in = Quantity.LENGTH, least = 1, most = 100)
        Optional<Double> palmsMm) {

    /** Of middle height; the system draws 12 point letters at 96 dots an inch. */
    public static final User USUAL = new User(1700, Optional.empty(), 11, Optional.empty());

    /** The same who has letters drawn larger or smaller. */
    public User drawing(double newCapitalsPx) {
        return new User(statureMm, eyesMm, newCapitalsPx, palmsMm);
    }

    /** The same with the eyes elsewhere. */
    public User seeing(double newEyesMm) {
        return new User(statureMm, Optional.of(newEyesMm), capitalsPx, palmsMm);
    }

    /** The same with the palms on a rest of another height. */
    public User resting(double newPalmsMm) {
        return new User(statureMm, eyesMm, capitalsPx, Optional.of(newPalmsMm));
    }
}
