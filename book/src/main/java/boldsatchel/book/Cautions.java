package boldsatchel.book;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/** What a builder is warned of, where it applies, and whose word stands above the figures. */
public final class Cautions {

    private Cautions() {}

    /** The cautions for a build. */
    public static List<String> of(Build build) {
        List<String> cautions = new ArrayList<>();
        if (build.parts().list().stream().anyMatch(Part::isSource)) {
            cautions.add(
                    "Lithium cells: use matched cells, a fuse and a protection; never puncture, crush or short them. Charge them attended, on"
                            + " a surface that cannot burn. Damaged or swollen cells go to a collection point. The cell maker's data sheet stands above"
                            + " every figure here.");
            cautions.add(
                    "Transport and disposal of batteries follow the carrier's and local rules; ask before travelling.");
        }
        cautions.add(
                "Mains: only ready-made certified adapters. Anything else on the mains is a licensed electrician's work.");
        if (!build.wiring().chain().isEmpty()) {
            cautions.add(
                    "Solder and flux fumes: ventilate, wear eye protection. Solvents go to proper disposal. The board maker's limits stand above"
                            + " the figures here.");
        }
        if (build.casing().shells().stream().anyMatch(s -> s.making() != Shell.Making.PRINTED)) {
            cautions.add(
                    "Cutting and drilling: eye protection, clamp the work, deburr edges before wires go in; no chips near electronics.");
        }
        cautions.add("Surfaces over 48 °C are too hot to hold for minutes. Measure before others use the machine.");
        return cautions;
    }
}
