package boldsatchel.power;

import boldsatchel.course.Course;
import java.util.Optional;

/** What one demand does to the stores of a chain: the share of its charge each loses an hour, at their levels. */
interface Drain extends Course.Motion<Drain.Seen> {

    /** What is on. */
    Network.Circuit circuit();

    /**
     * What is seen at the terminals, or at the rail of joined sources.
     *
     * @param stop what ends the run there
     * @param out how many joined sources are taken out
     */
    record Seen(double volts, double amps, Optional<Breach> stop, int out) implements Course.Sight {
        @Override
        public boolean stops() {
            return stop.isPresent();
        }

        @Override
        public int mode() {
            return out;
        }

        double watts() {
            return volts * amps;
        }
    }

    /** Joined sources, each with a level of its own: solved anew at every question. */
    record Joined(Network.Circuit circuit) implements Drain {
        /** A source with less left than this is empty. */
        private static final double EMPTY = 1e-9;

        @Override
        public Seen at(double[] levels, double[] perHour) {
            Network.Terminals at = circuit.terminals(levels);
            double[] amps = at.flow().amps();
            int out = 0;
            boolean empty = true;
            for (int i = 0; i < levels.length; i++) {
                boolean isOut = Supply.isOut(levels[i]);
                out += isOut ? 1 : 0;
                empty &= levels[i] < EMPTY;
                perHour[i] = isOut ? 0 : amps.length == 0 ? Double.NaN : perHour(i, amps[i]);
            }
            Optional<Breach> stop = at.stop();
            if (stop.isEmpty() && empty) {
                stop = Optional.of(new Breach(Breach.Kind.EMPTY, circuit.root().id(), 0, 0));
            }
            return new Seen(at.volts(), at.amps(), stop, out);
        }

        private double perHour(int i, double amps) {
            Store store = circuit.supply().branches().get(i).store();
            return amps == 0 ? 0 : Math.copySign(1 / store.hoursAt(Math.abs(amps)), -amps);
        }
    }
}
