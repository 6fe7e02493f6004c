package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.engine.Engine;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.plan.Printing;
import boldsatchel.printing.PrintingEngine;
import boldsatchel.printing.PrintingResult;
import boldsatchel.printing.PrintingResult.Crossed;
import boldsatchel.printing.PrintingResult.Tight;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** Tells what to look to before trays are printed. It answers no question of its own. */
public final class PrintingJudge implements Judge<PrintingResult> {

    /** A judge; all are alike. */
    public PrintingJudge() {}

    @Override
    public Engine<PrintingResult> engine() {
        return new PrintingEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING);
    }

    @Override
    public Judgement judge(Build build, PrintingResult printing) {
        Sheet sheet = new Sheet(new PrintingTelling(build, printing));
        for (int i = 0; i < printing.crossed().size(); i++) {
            Crossed crossed = printing.crossed().get(i);
            sheet.add(
                    "print.seam",
                    Severity.WATCH,
                    List.of(crossed.shell()),
                    numbers("index", i, "clearMm", crossed.clearMm().orElse(Double.NaN)));
        }
        for (int i = 0; i < printing.tight().size(); i++) {
            Tight tight = printing.tight().get(i);
            sheet.add(
                    "print.tight",
                    Severity.WATCH,
                    List.of(tight.part(), tight.shell()),
                    numbers("index", i, "roomMm", tight.roomMm(), "lostMm", tight.lostMm()));
        }
        for (PrintingResult.Ungauged tray : printing.ungauged()) {
            sheet.add(
                    "print.gauge",
                    Severity.NOTE,
                    List.of(tray.shell()),
                    numbers("openings", tray.openings(), "bosses", tray.bosses()));
        }
        return new Judgement(List.of(), sheet.findings());
    }

    /** Tells of what is printed. */
    private record PrintingTelling(Build build, PrintingResult printing) implements Telling {

        @Override
        public String sentence(Noted f) {
            return switch (f.code()) {
                case "print.seam" ->
                    "A seam of " + name(build, f.first()) + " runs through "
                            + crossed(f).what() + ", or nearer than " + n(PrintingEngine.LAP_MM)
                            + " mm by it: there is no room for the lap that joins the pieces.";
                case "print.tight" ->
                    "“" + tight(f).opening() + "” leaves " + f.n("roomMm") + " mm on its narrowest side, and "
                            + f.n("lostMm") + " mm are lost as it is printed: the plug of "
                            + name(build, f.first()) + " will not go in.";
                case "print.gauge" ->
                    "How holes come out of this printer is not known yet, and in " + name(build, f.first()) + " "
                            + fits(f) + (f.number("openings") + f.number("bosses") == 1 ? " has" : " have")
                            + " to fit: print a small gauge piece first, with a hole and a post like them.";
                default -> throw Telling.unknown(f);
            };
        }

        private static String fits(Noted f) {
            List<String> all = new ArrayList<>();
            counted(all, f.number("openings"), "opening");
            counted(all, f.number("bosses"), "boss");
            return String.join(" and ", all);
        }

        private static void counted(List<String> all, double count, String what) {
            if (count > 0) {
                String plural = what.endsWith("s") ? what + "es" : what + "s";
                all.add((int) count + " " + (count == 1 ? what : plural));
            }
        }

        private Crossed crossed(Noted f) {
            return printing.crossed().get((int) f.number("index"));
        }

        private Tight tight(Noted f) {
            return printing.tight().get((int) f.number("index"));
        }

        @Override
        public List<Remedy> cures(Noted f) {
            return switch (f.code()) {
                case "print.seam" -> seam(f);
                case "print.tight" -> {
                    double by = 2 * (f.number("lostMm") - f.number("roomMm"));
                    yield List.of(Remedy.by(
                            "Draw it " + n(by) + " mm wider and higher",
                            Printing.widen(tight(f).shell(), tight(f).opening(), by)));
                }
                case "print.gauge" ->
                    List.of(
                            Remedy.by(
                                    "Put a gauge piece on the list of tasks",
                                    Printing.gauge("Print a " + PrintingEngine.GAUGE + " for " + name(build, f.first())
                                            + " and measure its holes")),
                            Remedy.advice("Write in the brief by how much printed holes come out smaller"));
                default -> throw Telling.unknown(f);
            };
        }

        private List<Remedy> seam(Noted f) {
            Crossed crossed = crossed(f);
            List<Remedy> cures = new ArrayList<>();
            if (crossed.clearMm().isPresent()) {
                cures.add(Remedy.by(
                        "Move the seam to " + f.n("clearMm") + " mm",
                        Printing.moveSeam(f.first(), crossed.seam(), f.number("clearMm"))));
            }
            cures.add(Remedy.advice("Part the tray the other way, or move what the seam runs through"));
            return cures;
        }
    }
}
