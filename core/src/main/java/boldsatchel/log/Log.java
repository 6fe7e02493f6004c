package boldsatchel.log;

import boldsatchel.quantity.Quantity;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What was read over time: moments that never go back, and by channel what was read at each. */
public final class Log {

    private final double[] seconds;
    private final List<Channel> channels;

    /** One thing read at each moment. */
    public static final class Channel {
        private final String name;
        private final Quantity quantity;
        private final double[] values;

        /**
         * A channel; takes the array as it is.
         *
         * @param name as the log calls it
         * @param quantity what it measures
         * @param values in the stored unit of the quantity, one a moment; NaN where nothing was read
         */
        public Channel(String name, Quantity quantity, double[] values) {
            this.name = name;
            this.quantity = quantity;
            this.values = values;
        }

        /** As the log calls it. */
        public String name() {
            return name;
        }

        /** What it measures. */
        public Quantity quantity() {
            return quantity;
        }

        /** What was read at a moment, in the stored unit; NaN where nothing was. */
        public double at(int moment) {
            return values[moment];
        }

        /** All of it. */
        public double[] values() {
            return values.clone();
        }

        /** How many moments have a value. */
        public int read() {
            return (int) Arrays.stream(values).filter(v -> !Double.isNaN(v)).count();
        }
    }

    /**
     * A log; takes the array as it is.
     *
     * @param seconds from the first moment on, never less than the one before
     * @param channels each with as many values
     * @throws IllegalArgumentException where they are not as many
     */
    public Log(double[] seconds, List<Channel> channels) {
        for (Channel channel : channels) {
            if (channel.values.length != seconds.length) {
                throw new IllegalArgumentException(
                        channel.name + " has " + channel.values.length + " values for " + seconds.length + " moments");
            }
        }
        this.seconds = seconds;
        this.channels = List.copyOf(channels);
    }

    /** How many moments. */
    public int size() {
        return seconds.length;
    }

    /** Seconds of a moment since the first. */
    public double second(int moment) {
        return seconds[moment];
    }

    /** Seconds from the first moment to the last. */
    public double lasts() {
        return seconds.length == 0 ? 0 : seconds[seconds.length - 1];
    }

    /** All channels, in the order of the log. */
    public List<Channel> channels() {
        return channels;
    }

    /** The first channel that measures something. */
    public Optional<Channel> of(Quantity quantity) {
        return channels.stream().filter(c -> c.quantity() == quantity).findFirst();
    }

    /** The last moment that is not after a time; the first where all are. */
    public int momentAt(double second) {
        int at = Arrays.binarySearch(seconds, second);
        return at >= 0 ? at : Math.max(0, -at - 2);
    }
}
