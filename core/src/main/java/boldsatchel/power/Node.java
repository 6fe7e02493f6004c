package boldsatchel.power;

import boldsatchel.build.Facet.ConverterKind;
import boldsatchel.build.Facet.LoadKind;
import java.util.ArrayList;
import java.util.List;

/**
 * The electrical network of one chain for one demand, with all figures read: what the solver works on. Resistances in a row are one
 * node, so that each Newton solution nests only at forks; what hangs on a converter is solved once, when the network is made.
 */
sealed interface Node {

    /** Adds the current drawn when the node's input is at a voltage, and its slope, or marks a collapse. */
    void draw(double volts, Draw out);

    /** Reports every rung below at the solution. */
    void readOff(double volts, Observer observer);

    /** Hears what each rung does at the solution. */
    interface Observer {
        void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW);

        void breach(Breach.Kind kind, String id, double value, double limit);
    }

    /** Current of a node at a voltage, for reading off. */
    static double amps(Node node, double volts) {
        Draw draw = new Draw();
        node.draw(volts, draw);
        return draw.collapsed ? Double.NaN : draw.amps;
    }

    /** Nothing is connected. */
    record Open() implements Node {
        @Override
        public void draw(double volts, Draw out) {}

        @Override
        public void readOff(double volts, Observer observer) {}
    }

    /**
     * Several branches on one voltage. What draws a fixed power, current or conductance is summed once; only the rest is asked
     * again at every voltage.
     */
    record Fork(List<Node> branches, double watts, double amps, double siemens, List<Node> rest) implements Node {

        static Fork of(List<Node> branches) {
            double watts = 0;
            double amps = 0;
            double siemens = 0;
            List<Node> rest = new ArrayList<>();
            for (Node branch : branches) {
                switch (branch) {
                    case Load l when l.kind == LoadKind.POWER -> watts += l.watts;
                    case Load l when l.kind == LoadKind.CURRENT -> amps += l.watts / l.nominalV;
                    case Load l -> siemens += l.watts / (l.nominalV * l.nominalV);
                    case Converter c
                    when c.kind == ConverterKind.STEP_DOWN && !Double.isNaN(c.outAmps) -> watts += c.downWatts();
                    default -> rest.add(branch);
                }
            }
            return new Fork(branches, watts, amps, siemens, rest);
        }

        @Override
        public void draw(double volts, Draw out) {
            out.add(watts / volts + amps + siemens * volts, siemens - watts / (volts * volts));
            for (Node branch : rest) {
                branch.draw(volts, out);
            }
        }

        @Override
        public void readOff(double volts, Observer observer) {
            for (Node branch : branches) {
                branch.readOff(volts, observer);
            }
        }
    }

    /** A rung on a rail that takes nothing: a capacitor, a socket nothing is plugged into. */
    record Idle(String rung) implements Node {
        @Override
        public void draw(double volts, Draw out) {}

        @Override
        public void readOff(double volts, Observer observer) {
            observer.rung(rung, volts, volts, 0, 0, 0);
        }
    }

    /** What is left to feed when a source in its current limit already gives some. */
    record Relieved(Node next, double amps) implements Node {
        @Override
        public void draw(double volts, Draw out) {
            next.draw(volts, out);
            out.add(-amps, 0);
        }

        @Override
        public void readOff(double volts, Observer observer) {
            next.readOff(volts, observer);
        }
    }

    /** One rung that only loses voltage; a diode lets current through one way. */
    record Resistor(String rung, double kneeV, double ohms, double ratedA, double tripA, boolean blocks) {

        /** Reports it; returns the voltage behind it. */
        double readOff(double volts, double amps, Observer observer) {
            double after = volts - (amps > 0 ? kneeV : 0) - ohms * amps;
            observer.rung(rung, volts, after, amps, amps, (volts - after) * amps);
            if (amps > tripA) {
                observer.breach(Breach.Kind.OVER_CURRENT, rung, amps, tripA);
            } else if (amps > ratedA) {
                observer.breach(Breach.Kind.OVER_RATING, rung, amps, ratedA);
            }
            return after;
        }
    }

    /** Rungs in a row that only lose voltage, then what they feed. */
    record Series(List<Resistor> row, double kneeV, double ohms, Node next) implements Node {

        static Series of(List<Resistor> row, Node next) {
            return new Series(
                    row,
                    row.stream().mapToDouble(Resistor::kneeV).sum(),
                    row.stream().mapToDouble(Resistor::ohms).sum(),
                    next);
        }

        @Override
        public void draw(double volts, Draw out) {
            double behind = behind(volts - kneeV, ohms, next, out);
            if (out.collapsed) {
                return;
            }
            Draw next = new Draw();
            this.next.draw(behind, next);
            out.add(next.amps, next.slope / (1 + ohms * next.slope));
        }

        /**
         * The highest voltage u with u + R·I(u) = V, the voltage before the resistance. I(u) is convex and does not rise faster than a resistor's, so
         * Newton's method from above falls monotonically onto the highest root, and where there is none its slope
         * turns over: a collapse is found, not guessed from a lack of convergence.
         */
        static double behind(double top, double ohms, Node next, Draw out) {
            double u = top;
            Draw scratch = new Draw();
            for (int i = 0; i < 60; i++) {
                if (u <= 0) {
                    break;
                }
                scratch.clear();
                next.draw(u, scratch);
                if (scratch.collapsed) {
                    break;
                }
                double error = u + ohms * scratch.amps - top;
                double slope = 1 + ohms * scratch.slope;
                if (error <= 1e-10 * Math.max(1, top)) {
                    return u;
                }
                if (slope <= 1e-9) {
                    break;
                }
                u -= error / slope;
            }
            out.collapsed = true;
            return Double.NaN;
        }

        @Override
        public void readOff(double volts, Observer observer) {
            double behind = behind(volts - kneeV, ohms, next, new Draw());
            double amps = amps(next, behind);
            double at = volts;
            for (Resistor r : row) {
                at = r.readOff(at, amps, observer);
            }
            next.readOff(behind, observer);
        }
    }

    /** A converter and its output. What it feeds does not depend on its input, so it is solved at the output voltage. */
    record Converter(
            String rung,
            ConverterKind kind,
            double outV,
            double q,
            double v,
            double r,
            double limitA,
            double dropoutV,
            double lowV,
            double highV,
            Node next,
            double outAmps)
            implements Node {

        @Override
        public void draw(double volts, Draw out) {
            if (Double.isNaN(outAmps) || volts <= 0) {
                out.collapsed = true;
                return;
            }
            switch (kind) {
                case STEP_DOWN -> stepDown(volts, out);
                case STEP_UP -> stepUp(volts, out);
                case STEP_UP_DOWN -> {
                    if (downWatts() / volts > outAmps) {
                        stepUp(volts, out);
                    } else {
                        stepDown(volts, out);
                    }
                }
                case LINEAR -> out.add(outAmps + q / outV, 0);
            }
        }

        private double downWatts() {
            return outV * outAmps + q + v * outAmps + r * outAmps * outAmps;
        }

        private void stepDown(double volts, Draw out) {
            double amps = downWatts() / volts;
            out.add(amps, -amps / volts);
        }

        /** Power balance V·I = Pout + q + v·I + r·I² solved for the smaller I. */
        private void stepUp(double volts, Draw out) {
            double watts = outV * outAmps + q;
            double u = volts - v;
            double root = u * u - 4 * r * watts;
            if (u <= 0 || root <= 0) {
                out.collapsed = true;
                return;
            }
            double d = Math.sqrt(root);
            double amps = 2 * watts / (u + d);
            out.add(amps, -amps / d);
        }

        @Override
        public void readOff(double volts, Observer observer) {
            double in = amps(this, volts);
            observer.rung(rung, volts, outV, in, outAmps, volts * in - outV * outAmps);
            boolean boosting = kind == ConverterKind.STEP_UP || (kind == ConverterKind.STEP_UP_DOWN && in > outAmps);
            double limited = boosting ? in : outAmps;
            if (limited > limitA) {
                observer.breach(Breach.Kind.CONVERTER_LIMIT, rung, limited, limitA);
            }
            boolean needsHeadroom = kind == ConverterKind.STEP_DOWN || kind == ConverterKind.LINEAR;
            double least = needsHeadroom ? Math.max(lowV, outV + dropoutV) : lowV;
            if (volts < least) {
                observer.breach(Breach.Kind.DROPOUT, rung, volts, least);
            }
            if (volts > highV) {
                observer.breach(Breach.Kind.ABOVE_INPUT, rung, volts, highV);
            }
            next.readOff(outV, observer);
        }
    }

    /** A load that draws its watts at the nominal voltage. */
    record Load(String rung, LoadKind kind, double lowV, double nominalV, double highV, double watts, boolean on)
            implements Node {

        @Override
        public void draw(double volts, Draw out) {
            switch (kind) {
                case POWER -> out.add(watts / volts, -watts / (volts * volts));
                case CURRENT -> out.add(watts / nominalV, 0);
                case RESISTANCE -> out.add(watts * volts / (nominalV * nominalV), watts / (nominalV * nominalV));
            }
        }

        @Override
        public void readOff(double volts, Observer observer) {
            double amps = amps(this, volts);
            observer.rung(rung, volts, volts, amps, 0, volts * amps);
            if (!on) {
                return;
            }
            if (volts < lowV) {
                observer.breach(Breach.Kind.BELOW_WINDOW, rung, volts, lowV);
            } else if (volts > highV) {
                observer.breach(Breach.Kind.ABOVE_WINDOW, rung, volts, highV);
            }
        }
    }
}
