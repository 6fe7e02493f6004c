package boldsatchel.power;

import java.util.Optional;

/** Remembers only the first limit that ends a run. */
final class StopWatcher implements Node.Observer {
    private Optional<Breach> stop = Optional.empty();

    Optional<Breach> stop() {
        return stop;
    }

    @Override
    public void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW) {}

    @Override
    public void limit(Breach.Kind kind, String id, double value, double limit) {
        if (stop.isEmpty() && kind.endsRun() && kind.margin(value, limit) < 0) {
            stop = Optional.of(new Breach(kind, id, value, limit));
        }
    }

    @Override
    public boolean looksBehind(Node.Converter converter) {
        stop = stop.or(converter::stopBehind);
        return false;
    }
}
