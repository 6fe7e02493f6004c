package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.HarnessDrawing;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.PowerDrawings;
import boldsatchel.drawing.Room;
import boldsatchel.drawing.RunDrawings;
import boldsatchel.links.LinksResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.made.Made;
import boldsatchel.plan.VoltTable;
import boldsatchel.power.Network;
import boldsatchel.power.PowerResult;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Reading;
import boldsatchel.verdict.Evaluation;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** The build book: on pages and for a browser, its drawings, tables and the pieces to make, as bytes ready to be written. */
public final class Book {

    /** What a page leaves for a drawing, mm. */
    private static final Room PACK_PAGE = Room.page(180, 235);

    /** Room in which nothing is made smaller, mm. */
    private static final Room AS_LARGE_AS_IT_IS = Room.page(3000, 3000);

    private Book() {}

    /** The book on pages. */
    public static final String PAGES = "book.pdf";
    /** The book for a browser. */
    public static final String PAGE = "book.html";
    /** All trays at full size. */
    public static final String FULL_SIZE = "full-size.pdf";

    /** Every file of the book by its name. */
    public static Map<String, byte[]> files(Evaluation evaluation) {
        Build build = evaluation.build();
        // What does not hang on the chapters is made beside them.
        CompletableFuture<Map<String, byte[]>> made = CompletableFuture.supplyAsync(() -> workshop(evaluation));
        Chapters.Source source = Chapters.Source.of(evaluation);
        List<Chapter> chapters = Chapters.of(source);
        CompletableFuture<byte[]> page = CompletableFuture.supplyAsync(
                () -> HtmlBook.of(build.name(), chapters, footer(source)).getBytes(StandardCharsets.UTF_8));
        PagedBook paged = PagedBook.of(chapters, footer(source));
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put(PAGES, PdfWriter.pdf(build.name(), paged.pages(), paged.contents()));
        files.put(PAGE, page.join());
        for (Drawing drawing : source.drawings()) {
            String name = Names.free(drawing.title(), ".svg", files.keySet());
            files.put(name, SvgWriter.svg(drawing).getBytes(StandardCharsets.UTF_8));
            files.put(name.replaceAll("svg$", "dxf"), DxfWriter.dxf(drawing).getBytes(StandardCharsets.US_ASCII));
        }
        source.tables().forEach(t -> files.putAll(Tables.apart(build, t)));
        files.put("parts.csv", partsList(build).getBytes(StandardCharsets.UTF_8));
        files.putAll(made.join());
        return files;
    }

    /** What is printed, cut and drilled, and plans at full size. */
    private static Map<String, byte[]> workshop(Evaluation evaluation) {
        String name = evaluation.build().name();
        Map<String, byte[]> files = new LinkedHashMap<>(MadeFiles.of(name, Made.of(evaluation.build())));
        List<Drawing> full = fullSize(evaluation);
        if (!full.isEmpty()) {
            files.put(FULL_SIZE, PdfWriter.pdf("Full size · " + name, full));
        }
        return files;
    }

    /** Plans of all trays at full size, on as many pages as it takes. */
    private static List<Drawing> fullSize(Evaluation evaluation) {
        List<Drawing> pages = new ArrayList<>();
        for (Shell shell : evaluation.build().casing().shells()) {
            PackDrawings.Look look = new PackDrawings.Look(PackView.PLAN, shell.id(), Posture.CLOSED);
            pages.addAll(Tiles.of(PackDrawings.of(evaluation, look).in(AS_LARGE_AS_IT_IS)));
        }
        return pages;
    }

    /** A tray with its parts from above, as an SVG file. */
    public static byte[] plan(Evaluation evaluation, Shell tray) {
        return SvgWriter.svg(pack(evaluation, PackView.PLAN, tray, Posture.CLOSED))
                .getBytes(StandardCharsets.UTF_8);
    }

    /** The drawings of a build, each on its own sheet. */
    public static List<Drawing> drawings(Evaluation evaluation) {
        return drawings(evaluation, lifted(evaluation));
    }

    static List<Drawing> drawings(Evaluation evaluation, Optional<Drawing> lifted) {
        Build build = evaluation.build();
        List<Drawing> drawings = new ArrayList<>();
        for (Shell shell : build.casing().shells()) {
            drawings.add(pack(evaluation, PackView.PLAN, shell, Posture.CLOSED));
            if (build.casing().carrying(shell.id()).isEmpty()) {
                drawings.add(pack(evaluation, PackView.FRONT, shell, Posture.CLOSED));
            }
        }
        build.casing().standing().ifPresent(shell -> {
            drawings.add(pack(evaluation, PackView.SIDE, shell, build.casing().inUse()));
        });
        lifted.ifPresent(drawings::add);
        for (ChainResult chain : evaluation.of(PowerResult.class).chains()) {
            build.rung(chain.source()).ifPresent(root -> power(drawings, build, chain, root));
        }
        evaluation.of(PowerResult.class).charges().forEach(c -> drawings.add(RunDrawings.charge(c)));
        if (!build.wiring().links().isEmpty()) {
            drawings.add(HarnessDrawing.board(build, evaluation.of(LinksResult.class), ""));
        }
        return drawings;
    }

    /** All of it lifted apart. */
    static Optional<Drawing> lifted(Evaluation evaluation) {
        return evaluation
                .build()
                .casing()
                .standing()
                .map(shell -> PackDrawings.of(
                                evaluation,
                                new PackDrawings.Look(
                                        PackView.EXPLODED,
                                        shell.id(),
                                        Posture.CLOSED,
                                        OptionalDouble.empty(),
                                        "",
                                        /* legend= */ false))
                        .in(PACK_PAGE));
    }

    private static Drawing pack(Evaluation evaluation, PackView view, Shell shell, Posture posture) {
        return PackDrawings.of(evaluation, new PackDrawings.Look(view, shell.id(), posture))
                .in(PACK_PAGE);
    }

    private static void power(List<Drawing> drawings, Build build, ChainResult chain, Rung root) {
        drawings.add(PowerDrawings.ladder(build, root, chain.busiest(), ""));
        Network.of(build, root, Reading.NOMINAL, chain.cells())
                .ifPresent(n -> drawings.add(RunDrawings.discharge(
                        build, chain, n, build.brief().limits().hours(), Optional.empty())));
        boolean cells = root.sources().stream()
                .anyMatch(r -> build.partOf(r)
                        .filter(p -> p.facet(Facet.Cells.class).isPresent())
                        .isPresent());
        if (cells) {
            VoltTable.of(build, root, chain.cells())
                    .ifPresent(t -> drawings.add(
                            RunDrawings.voltCard(root.sources().getFirst().name(build), t)));
        }
    }

    /**
     * Where a chapter begins.
     *
     * @param title of it
     * @param page from 0
     */
    public record Entry(String title, int page) {}

    /** The book as it will be printed. */
    public record Preview(List<Drawing> pages, List<Entry> entries) {
        /** Copies the lists. */
        public Preview {
            pages = List.copyOf(pages);
            entries = List.copyOf(entries);
        }
    }

    /** The pages of the book, and where its chapters begin. */
    public static Preview preview(Evaluation evaluation) {
        Chapters.Source source = Chapters.Source.of(evaluation);
        PagedBook paged = PagedBook.of(Chapters.of(source), footer(source));
        List<Entry> entries = new ArrayList<>();
        paged.contents().forEach((title, page) -> entries.add(new Entry(title, page)));
        return new Preview(paged.pages(), entries);
    }

    /** Titles of drawings that are otherwise than in another build. */
    public static List<String> redrawn(Evaluation before, Evaluation now) {
        List<Drawing> old = drawings(before);
        return drawings(now).stream()
                .filter(d -> !old.contains(d))
                .map(Drawing::title)
                .toList();
    }

    private static String footer(Chapters.Source source) {
        Build build = source.evaluation().build();
        return "figures are estimates; makers' data stand above them · " + build.name() + " · " + build.variant()
                + " · "
                + source.standing().current().map(r -> "revision " + r.name()).orElse("draft");
    }

    /** The parts as comma-separated values (RFC 4180), one row a part. */
    public static String partsList(Build build) {
        StringWriter text = new StringWriter();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(
                        "id",
                        "name",
                        "family",
                        "standing",
                        "width_mm",
                        "depth_mm",
                        "height_mm",
                        "mass_g",
                        "price",
                        "currency",
                        "packed_in",
                        "offers",
                        "note")
                .get();
        try (CSVPrinter out = new CSVPrinter(text, format)) {
            for (Part p : build.parts().list()) {
                out.printRecord(
                        Tables.cell(p.id()),
                        Tables.cell(p.name()),
                        p.family().words(),
                        p.standing().words(),
                        plain(p.body().widthMm().value()),
                        plain(p.body().depthMm().value()),
                        plain(p.body().heightMm().value()),
                        plain(p.massG().value()),
                        plain(p.price().value()),
                        Tables.cell(build.brief().currency()),
                        Tables.cell(
                                build.placement(p.id()).map(at -> at.shell()).orElse("")),
                        Tables.cell(offers(build, p)),
                        Tables.cell(p.note()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** Who asks what for a part, and how long it takes. */
    private static String offers(Build build, Part part) {
        return part.purchase().quotes().stream()
                .map(q -> q.from() + ": " + plain(q.price().value())
                        + (q.shipping() > 0 ? " + " + plain(q.shipping()) : "")
                        + " " + (q.currency().isBlank() ? build.brief().currency() : q.currency())
                        + ", " + q.days() + (q.days() == 1 ? " day" : " days"))
                .collect(Collectors.joining("; "));
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }
}
