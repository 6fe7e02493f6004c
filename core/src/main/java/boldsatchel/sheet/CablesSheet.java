package boldsatchel.sheet;

import boldsatchel.cables.CablesResult;
import boldsatchel.cables.CablesResult.Laying;
import boldsatchel.cables.Lead;
import boldsatchel.machine.Port;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How long each cable has to be, and how it is laid. */
public final class CablesSheet {

    static final String ID = "cables";
    static final String TITLE = "Cables where they are laid";

    private static final String NOTE =
            "Lengths run from corner to corner, in the posture in which a cable has furthest to go; from tray to tray straight. Measure "
                    + "with a string before you cut.";

    private CablesSheet() {}

    static Table of(Sheets.Source source) {
        List<List<String>> rows = new ArrayList<>();
        for (Lead lead : source.cables().leads()) {
            Optional<Laying> laid = source.cables().laying(lead.id());
            if (laid.isPresent()) {
                rows.add(List.of(
                        lead.name(),
                        end(source, lead.one()) + " – " + end(source, lead.other()),
                        size(lead),
                        lead.lengthMm().isPresent() ? mm(lead.lengthMm().getAsDouble()) : "?",
                        mm(laid.get().lengthMm()),
                        told(laid.get())));
            }
        }
        return new Table(
                ID,
                TITLE,
                NOTE,
                List.of("cable", "from – to", "thick", "long", "its way", "how it lies"),
                List.of(22, 28, 12, 9, 9, 20),
                rows);
    }

    private static String end(Sheets.Source source, Lead.End end) {
        return source.name(end.part())
                + end.port().map(Port::words).map(w -> ", " + w).orElse("");
    }

    private static String size(Lead lead) {
        String size = Units.format(lead.girth().wideMm(), 1, "")
                + (lead.girth().flat() ? " × " + Units.format(lead.girth().thickMm(), 1, "") : "")
                + " mm";
        return lead.girth().guessed() ? size + " (guess)" : size;
    }

    /**
     * Something to be said of how a cable lies.
     *
     * @param grave whether it does not do so
     */
    public record Remark(boolean grave, String words) {}

    /** All that is to be said, the gravest first; nothing of one that lies free. */
    public static List<Remark> remarks(Laying laying) {
        Lead lead = laying.way().lead();
        List<Remark> all = new ArrayList<>();
        double spare = laying.spareMm().orElse(0);
        if (spare < 0) {
            all.add(new Remark(true, "too short by " + mm(-spare)));
        }
        if (!laying.meetings().isEmpty()) {
            all.add(new Remark(true, "in the way of something"));
        }
        if (laying.facesAway()) {
            all.add(new Remark(true, "contacts look away"));
        }
        laying.tightest()
                .ifPresent(c -> all.add(new Remark(
                        false,
                        "bent to " + Units.format(c.radiusMm(), 1, "mm") + ", bears "
                                + Units.format(lead.girth().bendMm(), 1, "mm"))));
        if (laying.folds() > 0) {
            all.add(new Remark(false, "folded " + (laying.folds() == 1 ? "once" : laying.folds() + " times")));
        }
        if (laying.crooked()) {
            all.add(new Remark(false, "arrives on its edge"));
        }
        return all;
    }

    private static String told(Laying laying) {
        List<String> told =
                new ArrayList<>(remarks(laying).stream().map(Remark::words).toList());
        laying.bundles().stream()
                .mapToDouble(CablesResult.Bundle::mm)
                .max()
                .ifPresent(mm -> told.add("in a bundle of " + Units.format(mm, 1, "mm")));
        return told.isEmpty() ? "free" : String.join("; ", told);
    }

    private static String mm(double value) {
        return Units.format(value, 0, "mm");
    }
}
