package boldsatchel.power;

import boldsatchel.build.Facet.ConverterKind;
import boldsatchel.build.Facet.LoadKind;
import boldsatchel.build.Mode;
import java.util.List;
import java.util.Map;

/**
 * The electrical network of one chain with all figures read: what the solver works on. Resistances in a row are one node, so
 * that each Newton solution nests only at forks.
 */
sealed interface Node {

    /** Adds the current drawn when the node's input is at a voltage, and its slope, or marks a collapse. */
    void draw(double volts, Demand demand, Draw out);

    /** Reports every rung below at the solution. */
    void readOff(double volts, Demand demand, Observer observer);

    /** Hears what each rung does at the solution. */
    interface Observer {
        void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW);

        void breach(Breach.Kind kind, String id, double value, double limit);
    }

    /** Current of a node at a voltage, for reading off. */
    static double amps(Node node, double volts, Demand demand) {
        Draw draw = new Draw();
        node.draw(volts, demand, draw);
        return draw.collapsed ? Double.NaN : draw.amps;
    }

    /** Nothing is connected. */
    record Open() implements Node {
        @Override
        public void draw(double volts, Demand demand, Draw out) {}

        @Override
        public void readOff(double volts, Demand demand, Observer observer) {}
    }

    /** Several branches on one voltage. */
    record Fork(List<Node> branches) implements Node {
        @Override
        public void draw(double volts, Demand demand, Draw out) {
            for (Node branch : branches) {
                branch.draw(volts, demand, out);
            }
        }

        @Override
        public void readOff(double volts, Demand demand, Observer observer) {
            for (Node branch : branches) {
                branch.readOff(volts, demand, observer);
            }
        }
    }

    /** One rung that only loses voltage. */
    record Resistor(String rung, double kneeV, double ohms, double ratedA, double tripA) {}

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
        public void draw(double volts, Demand demand, Draw out) {
            double behind = voltsBehind(volts, demand, out);
            if (out.collapsed) {
                return;
            }
            Draw next = new Draw();
            this.next.draw(behind, demand, next);
            out.add(next.amps, next.slope / (1 + ohms * next.slope));
        }

        /**
         * The highest voltage u with u + R·I(u) = V − knee. I(u) is convex and does not rise faster than a resistor's, so
         * Newton's method from above falls monotonically onto the highest root, and where there is none its slope
         * turns over: a collapse is found, not guessed from a lack of convergence.
         */
        double voltsBehind(double volts, Demand demand, Draw out) {
            double top = volts - kneeV;
            double u = top;
            Draw scratch = new Draw();
            for (int i = 0; i < 60; i++) {
                if (u <= 0) {
                    break;
                }
                scratch.clear();
                next.draw(u, demand, scratch);
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
        public void readOff(double volts, Demand demand, Observer observer) {
            double behind = voltsBehind(volts, demand, new Draw());
            double amps = amps(next, behind, demand);
            double at = volts;
            for (Resistor r : row) {
                double after = at - (amps > 0 ? r.kneeV : 0) - r.ohms * amps;
                observer.rung(r.rung, at, after, amps, amps, (at - after) * amps);
                if (amps > r.tripA) {
                    observer.breach(Breach.Kind.OVER_CURRENT, r.rung, amps, r.tripA);
                } else if (amps > r.ratedA) {
                    observer.breach(Breach.Kind.OVER_RATING, r.rung, amps, r.ratedA);
                }
                at = after;
            }
            next.readOff(behind, demand, observer);
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
            Node next)
            implements Node {

        @Override
        public void draw(double volts, Demand demand, Draw out) {
            Draw output = new Draw();
            next.draw(outV, demand, output);
            if (output.collapsed || volts <= 0) {
                out.collapsed = true;
                return;
            }
            switch (kind) {
                case STEP_DOWN -> stepDown(volts, output.amps, out);
                case STEP_UP -> stepUp(volts, output.amps, out);
                case STEP_UP_DOWN -> {
                    double asDown = downWatts(output.amps) / volts;
                    if (asDown > output.amps) {
                        stepUp(volts, output.amps, out);
                    } else {
                        stepDown(volts, output.amps, out);
                    }
                }
                case LINEAR -> out.add(output.amps + q / outV, 0);
            }
        }

        private double downWatts(double outAmps) {
            return outV * outAmps + q + v * outAmps + r * outAmps * outAmps;
        }

        private void stepDown(double volts, double outAmps, Draw out) {
            double amps = downWatts(outAmps) / volts;
            out.add(amps, -amps / volts);
        }

        /** Power balance V·I = Pout + q + v·I + r·I² solved for the smaller I. */
        private void stepUp(double volts, double outAmps, Draw out) {
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
        public void readOff(double volts, Demand demand, Observer observer) {
            double in = amps(this, volts, demand);
            double outAmps = amps(next, outV, demand);
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
            next.readOff(outV, demand, observer);
        }
    }

    /** A load; its watts are those at the nominal voltage. */
    record Load(
            String rung, LoadKind kind, double lowV, double nominalV, double highV, Map<Mode, Double> watts, double backlightW)
            implements Node {

        double nominalWatts(Demand demand) {
            return watts.getOrDefault(demand.mode(), 0.0) + backlightW * demand.brightness();
        }

        @Override
        public void draw(double volts, Demand demand, Draw out) {
            double w = nominalWatts(demand);
            switch (kind) {
                case POWER -> out.add(w / volts, -w / (volts * volts));
                case CURRENT -> out.add(w / nominalV, 0);
                case RESISTANCE -> out.add(w * volts / (nominalV * nominalV), w / (nominalV * nominalV));
            }
        }

        @Override
        public void readOff(double volts, Demand demand, Observer observer) {
            double amps = amps(this, volts, demand);
            observer.rung(rung, volts, volts, amps, 0, volts * amps);
            if (demand.mode() == Mode.OFF) {
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
