package boldsatchel.heat;

import boldsatchel.machine.Brief;
import java.util.OptionalDouble;

/** Water that settles on a cold machine in warmer air. */
public final class Dew {

    /** Humidity that is taken where nobody said: a usual day, and rooms that are lived in. */
    public static final double USUAL_HUMIDITY = 0.6;

    private Dew() {}

    /** The dew point of the air, where the machine begins colder than that, °C. */
    public static OptionalDouble settles(Brief.Surroundings surroundings) {
        double dew = Air.dewPoint(surroundings.ambientC(), USUAL_HUMIDITY);
        return surroundings.packC() < dew ? OptionalDouble.of(dew) : OptionalDouble.empty();
    }
}
