package boldsatchel.book;

import boldsatchel.book.Block.Row;
import boldsatchel.book.Block.Tone;
import boldsatchel.book.Block.Words;
import boldsatchel.machine.Build;
import boldsatchel.machine.Money;
import boldsatchel.machine.Part;
import boldsatchel.machine.Purchase;
import boldsatchel.quantity.Units;
import boldsatchel.sheet.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What it looks like, what it is made of and how it is wired. */
final class PartsChapters {

    /** Tables that belong to the parts. */
    private static final Set<String> OF_PARTS = Set.of("cut-list", "print-list", "drill-list");

    private PartsChapters() {}

    /** All but the one that the book begins with. */
    static Chapter drawings(Chapters.Source source) {
        return new Chapter(
                "Drawings",
                source.drawings().stream()
                        .filter(d -> source.lifted().filter(d::equals).isEmpty())
                        .map(d -> (Block) new Block.Picture(d))
                        .toList());
    }

    static Chapter wiring(Chapters.Source source) {
        List<Block> blocks = new ArrayList<>();
        source.tables().stream()
                .filter(t -> !OF_PARTS.contains(t.id()) && !t.id().equals(WorkChapters.AS_BUILT))
                .forEach(t -> blocks.addAll(table(t)));
        return new Chapter("Wiring, settings and use", blocks);
    }

    /** A table with its name and note. */
    static List<Block> table(Table table) {
        List<Block> blocks = new ArrayList<>();
        blocks.add(new Block.Heading(table.title()));
        if (!table.note().isEmpty()) {
            blocks.add(new Words(table.note(), Tone.SOFT));
        }
        blocks.add(new Block.Rows(
                table.columns(),
                table.shares(),
                Set.of(),
                table.rows().stream().map(Row::new).toList()));
        return blocks;
    }

    static Chapter parts(Chapters.Source source) {
        Build build = source.evaluation().build();
        List<Block> blocks = new ArrayList<>();
        if (build.parts().list().isEmpty()) {
            return new Chapter("Parts", blocks);
        }
        blocks.add(new Block.Rows(
                List.of(
                        "part",
                        "family",
                        "to be had",
                        "size, mm",
                        "mass, g",
                        "price, " + build.brief().currency()),
                List.of(66, 28, 22, 34, 16, 18),
                Set.of(4, 5),
                build.parts().list().stream().map(p -> new Row(part(p))).toList()));
        offers(build, blocks);
        substitutes(build, blocks);
        source.tables().stream().filter(t -> OF_PARTS.contains(t.id())).forEach(t -> blocks.addAll(table(t)));
        return new Chapter("Parts", blocks);
    }

    private static List<String> part(Part p) {
        return List.of(
                p.name(),
                p.family().words(),
                p.standing().words(),
                size(p),
                Units.format(p.massG().value(), 0, ""),
                Units.format(p.price().value(), 2, ""));
    }

    private static String size(Part p) {
        return Units.format(p.body().widthMm().value()) + " × "
                + Units.format(p.body().depthMm().value()) + " × "
                + Units.format(p.body().heightMm().value());
    }

    private static void offers(Build build, List<Block> into) {
        List<Row> rows = new ArrayList<>();
        for (Part part : build.parts().list()) {
            for (Purchase.Quote quote : part.purchase().quotes()) {
                rows.add(new Row(List.of(
                        part.name(),
                        quote.from(),
                        Units.format(quote.price().value(), 2, "") + " "
                                + (quote.currency().isBlank() ? build.brief().currency() : quote.currency()),
                        quote.days() + " days")));
            }
        }
        if (!rows.isEmpty()) {
            into.add(new Block.Heading("Offers"));
            into.add(new Block.Rows(
                    List.of("part", "from", "price", "takes"), List.of(60, 50, 30, 24), Set.of(2), rows));
        }
    }

    /** What may take a part's place, and by what it is limited: where it is larger, heavier, or has not the same sockets. */
    private static void substitutes(Build build, List<Block> into) {
        List<Row> rows = new ArrayList<>();
        for (Money.Candidate candidate : build.money().candidates()) {
            Optional<Part> instead = build.part(candidate.insteadOf());
            rows.add(new Row(List.of(
                    instead.map(Part::name).orElse(candidate.insteadOf()),
                    candidate.part().name(),
                    size(candidate.part()),
                    instead.map(p -> limits(p, candidate.part())).orElse(""))));
        }
        if (!rows.isEmpty()) {
            into.add(new Block.Heading("What may take a part's place"));
            into.add(new Words(
                    "Try one in the build before you buy it: only that tells whether it is enough.", Tone.SOFT));
            into.add(new Block.Rows(
                    List.of("instead of", "part", "size, mm", "mind"), List.of(44, 44, 30, 50), Set.of(), rows));
        }
    }

    private static String limits(Part part, Part other) {
        List<String> limits = new ArrayList<>();
        double[] is = {
            part.body().widthMm().value(),
            part.body().depthMm().value(),
            part.body().heightMm().value()
        };
        double[] may = {
            other.body().widthMm().value(),
            other.body().depthMm().value(),
            other.body().heightMm().value()
        };
        List<String> sides = List.of("wider", "deeper", "higher");
        for (int axis = 0; axis < 3; axis++) {
            if (may[axis] > is[axis]) {
                limits.add(Units.format(may[axis] - is[axis], 1, "mm") + " " + sides.get(axis));
            }
        }
        double heavier = other.massG().value() - part.massG().value();
        if (heavier > 0) {
            limits.add(Units.format(heavier, 0, "g") + " heavier");
        }
        long missing = part.body().ports().stream()
                .filter(p -> other.body().ports().stream().noneMatch(o -> o.connector() == p.connector()))
                .count();
        if (missing > 0) {
            limits.add(missing + (missing == 1 ? " socket" : " sockets") + " it has not");
        }
        return limits.isEmpty() ? "no larger, no heavier" : String.join("; ", limits);
    }
}
