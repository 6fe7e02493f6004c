package boldsatchel.power;

import boldsatchel.machine.UseProfile;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Where the energy of a whole run goes, rung by rung. Every piece of the run is solved again in its middle and its watts are added up
 * over its time, independently of the charge by which the run itself is reckoned: what the cells give at their rest voltage must equal
 * what is found here.
 *
 * @param wattHours what each rung turns into heat over the run, loads and the sources' own losses included, Wh
 */
public record Ledger(Map<String, Double> wattHours) {

    /** Keeps the order. */
    public Ledger {
        wattHours = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(wattHours));
    }

    /** The ledger of a run from full to its end. */
    public static Ledger of(Network network, UseProfile profile) {
        Map<String, Double> sum = new LinkedHashMap<>();
        Discharge.run(
                network,
                profile,
                Discharge.FINE,
                Optional.of((circuit, levels, hours) -> circuit.solve(levels.clone())
                        .rungs()
                        .forEach((id, state) -> sum.merge(id, state.heatW() * hours, Double::sum))));
        return new Ledger(sum);
    }

    /** All of it, Wh. */
    public double total() {
        return wattHours.values().stream().mapToDouble(w -> w).sum();
    }
}
