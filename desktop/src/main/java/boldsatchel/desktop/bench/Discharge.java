package boldsatchel.desktop.bench;

import boldsatchel.bench.Meter;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;

/**
 * Which discharge a log belongs to, from the moment it began: whatever is chosen meanwhile, its result goes there.
 *
 * @param part that is discharged
 * @param cells that it is made of
 * @param draft of its test
 */
record Discharge(Part part, Facet.Cells cells, Draft draft) {

    double celsius() {
        return draft.celsius();
    }

    Meter meter() {
        return draft.meter();
    }
}
