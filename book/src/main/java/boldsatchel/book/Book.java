package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.HarnessDrawing;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.PowerDrawings;
import boldsatchel.drawing.Room;
import boldsatchel.drawing.RunDrawings;
import boldsatchel.links.LinksResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.plan.VoltTable;
import boldsatchel.power.Network;
import boldsatchel.power.PowerResult;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Units;
import boldsatchel.sheet.Sheets;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** The build book: the build sheet, the drawings and the parts list, as bytes ready to be written. */
public final class Book {

    /** What a page leaves for a drawing, mm. */
    private static final Room PACK_PAGE = Room.page(180, 235);

    private Book() {}

    /** Every file of the book by its name. */
    public static Map<String, byte[]> files(Evaluation evaluation) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("build-sheet.pdf", PdfWriter.pdf(evaluation.build().name(), sheet(evaluation)));
        for (Drawing drawing : drawings(evaluation)) {
            files.put(
                    Names.free(drawing.title(), ".svg", files.keySet()),
                    SvgWriter.svg(drawing).getBytes(StandardCharsets.UTF_8));
        }
        Sheets.all(evaluation).forEach(t -> files.putAll(Tables.apart(evaluation.build(), t)));
        files.put("parts.csv", partsList(evaluation.build()).getBytes(StandardCharsets.UTF_8));
        return files;
    }

    /** A tray with its parts from above, as an SVG file. */
    public static byte[] plan(Evaluation evaluation, Shell tray) {
        return SvgWriter.svg(pack(evaluation, PackView.PLAN, tray, Posture.CLOSED))
                .getBytes(StandardCharsets.UTF_8);
    }

    /** The drawings of a build, each on its own sheet. */
    public static List<Drawing> drawings(Evaluation evaluation) {
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
            drawings.add(pack(evaluation, PackView.EXPLODED, shell, Posture.CLOSED));
        });
        for (ChainResult chain : evaluation.of(PowerResult.class).chains()) {
            build.rung(chain.source()).ifPresent(root -> power(drawings, build, chain, root));
        }
        evaluation.of(PowerResult.class).charges().forEach(c -> drawings.add(RunDrawings.charge(c)));
        if (!build.wiring().links().isEmpty()) {
            drawings.add(HarnessDrawing.board(build, evaluation.of(LinksResult.class), ""));
        }
        return drawings;
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

    /** The pages of the build sheet. */
    public static List<Drawing> sheet(Evaluation evaluation) {
        Build build = evaluation.build();
        Flow flow = new Flow(
                "figures are estimates; makers' data stand above them · " + build.name() + " · " + build.variant());
        flow.title(build.name());
        flow.paragraph(build.variant() + ". " + build.brief().purpose(), 3.6, false, Ink.SOFT, 0);
        flow.heading("Is it enough?");
        verdicts(flow, evaluation);
        flow.heading("What to look at");
        findings(flow, evaluation);
        flow.heading("Cautions");
        Cautions.of(build).forEach(c -> flow.paragraph("· " + c, 3.2, false, Ink.INK, 0));
        flow.turn();
        flow.heading("Drawings");
        drawings(evaluation).forEach(flow::drawing);
        flow.turn();
        Sheets.all(evaluation).forEach(t -> Tables.put(flow, t));
        flow.turn();
        flow.heading("Parts");
        parts(flow, build);
        flow.heading("Use profiles");
        profiles(flow, build);
        flow.heading("Working");
        evaluation.verdicts().forEach(v -> working(flow, v));
        return flow.done();
    }

    private static final List<Double> VERDICT_EDGES = List.of(Flow.LEFT + 6, 62.0, 84.0, 122.0, 126.0);
    private static final List<Double> VERDICT_WIDTHS = List.of(22.0, 22.0, 22.0, 34.0, 66.0);
    private static final List<Align> VERDICT_ALIGNS =
            List.of(Align.LEFT, Align.RIGHT, Align.RIGHT, Align.RIGHT, Align.LEFT);

    private static void verdicts(Flow flow, Evaluation evaluation) {
        flow.row(
                List.of("", "value", "limit", "likely range", "in words"),
                VERDICT_EDGES,
                VERDICT_WIDTHS,
                VERDICT_ALIGNS,
                3,
                true);
        for (Verdict v : evaluation.verdicts()) {
            flow.room(14);
            flow.stateMark(v.state(), Flow.LEFT + 2);
            String limit = v.limit().isPresent()
                    ? (v.kind().moreIsBetter() ? "≥ " : "≤ ")
                            + v.kind().format(v.limit().getAsDouble())
                    : "none";
            flow.row(
                    List.of(
                            v.kind().title() + ": " + v.state().words(),
                            v.kind().format(v.value()),
                            limit,
                            v.kind().format(v.low()) + " to " + v.kind().format(v.high()),
                            v.sentence()),
                    VERDICT_EDGES,
                    VERDICT_WIDTHS,
                    VERDICT_ALIGNS,
                    3,
                    false);
        }
    }

    private static void findings(Flow flow, Evaluation evaluation) {
        if (evaluation.findings().isEmpty()) {
            flow.paragraph("Nothing was found.", 3.4, false, Ink.INK, 0);
        }
        for (Finding f : evaluation.findings()) {
            flow.paragraph(
                    f.severity().words() + " · " + f.message(),
                    3.4,
                    f.severity() == boldsatchel.verdict.Severity.STOP,
                    Ink.INK,
                    0);
            f.remedies().forEach(r -> flow.paragraph("→ " + r.words(), 3.2, false, Ink.SOFT, 6));
            flow.space(1);
        }
    }

    private static final List<Double> PART_EDGES = List.of(Flow.LEFT, 104.0, 128.0, 152.0, 172.0, 192.0);
    private static final List<Double> PART_WIDTHS = List.of(62.0, 22.0, 22.0, 34.0, 18.0, 18.0);
    private static final List<Align> PART_ALIGNS =
            List.of(Align.LEFT, Align.RIGHT, Align.RIGHT, Align.RIGHT, Align.RIGHT, Align.RIGHT);

    private static void parts(Flow flow, Build build) {
        flow.row(
                List.of("part", "family", "to be had", "size, mm", "mass, g", "price"),
                PART_EDGES,
                List.of(62.0, 30.0, 22.0, 34.0, 18.0, 18.0),
                PART_ALIGNS,
                3,
                true);
        for (Part p : build.parts().list()) {
            flow.row(
                    List.of(
                            p.name(),
                            p.family().words(),
                            p.standing().words(),
                            size(p),
                            Units.format(p.massG().value(), 0, ""),
                            Units.format(p.price().value(), 2, "")),
                    PART_EDGES,
                    PART_WIDTHS,
                    PART_ALIGNS,
                    3,
                    false);
        }
    }

    private static String size(Part p) {
        return Units.format(p.body().widthMm().value()) + " × "
                + Units.format(p.body().depthMm().value()) + " × "
                + Units.format(p.body().heightMm().value());
    }

    private static void profiles(Flow flow, Build build) {
        build.brief()
                .profiles()
                .forEach(profile -> flow.paragraph(
                        profile.name() + ": "
                                + String.join(
                                        "; ",
                                        profile.steps().stream()
                                                .map(s -> s.name() + ", " + Units.format(s.minutes()) + " min "
                                                        + s.mode().words()
                                                        + (s.mode() == Mode.OFF || s.mode() == Mode.SLEEP
                                                                ? ""
                                                                : ", screen " + Math.round(s.brightness() * 100)
                                                                        + " %"))
                                                .toList()),
                        3.2,
                        false,
                        Ink.INK,
                        0));
    }

    private static void working(Flow flow, Verdict verdict) {
        flow.room(20);
        flow.paragraph(verdict.kind().title(), 3.6, true, Ink.INK, 0);
        for (Working.Step step : verdict.working().steps()) {
            String line = step.what()
                    + (step.formula().isEmpty() ? "" : ": " + step.formula())
                    + (step.numbers().isEmpty() ? "" : " = " + step.numbers())
                    + (step.formula().isEmpty() ? ": " : " = ")
                    + step.result();
            flow.paragraph(line, 3, false, Ink.INK, 4);
        }
        verdict.working().range().blame().stream()
                .limit(3)
                .forEach(b -> flow.paragraph(
                        "doubt: " + Math.round(b.share() * 100) + " % from "
                                + b.input().what() + " of " + b.input().subject() + " ("
                                + b.input().figure().basis().words() + ")",
                        3,
                        false,
                        Ink.SOFT,
                        4));
        flow.space(2);
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
                        Tables.cell(p.note()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }
}
