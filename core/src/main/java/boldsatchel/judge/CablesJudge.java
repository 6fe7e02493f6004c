package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.cables.CablesEngine;
import boldsatchel.cables.CablesResult;
import boldsatchel.cables.CablesResult.Laying;
import boldsatchel.cables.CablesResult.Meeting;
import boldsatchel.cables.Lead;
import boldsatchel.edit.Edit;
import boldsatchel.engine.Engine;
import boldsatchel.fit.FitResult;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import boldsatchel.plan.Layings;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Tells which cables are too short, bent too tightly, in the way of something, or fill the case. It answers no question of its own. */
public final class CablesJudge implements Judge<CablesResult> {

    private static final double EXACT_MM = 0.05;
    /** What is to spare of a ready-made cable fills the case from here on, mm, or from this share of its way. */
    private static final double SPARE_MM = 60;

    private static final double SPARE_SHARE = 0.3;
    /** Cables fill at most this share of what is free: what the National Electrical Code (NFPA 70, chapter 9) has for three and more in a conduit. */
    private static final double MOST_FILLED = 0.4;

    /** A judge; all are alike. */
    public CablesJudge() {}

    @Override
    public Engine<CablesResult> engine() {
        return new CablesEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.WIRING, Section.LAYOUT);
    }

    @Override
    public Optional<Verdict.Kind> bearsOn() {
        return Optional.of(Verdict.Kind.PACKS);
    }

    @Override
    public Judgement judge(Build build, CablesResult cables) {
        Sheet sheet = new Sheet(new CablesTelling(build, cables));
        for (Laying laying : cables.laid()) {
            judge(laying, sheet);
        }
        for (CablesResult.Room room : cables.rooms()) {
            if (room.share() > MOST_FILLED) {
                sheet.add(
                        "cable.room",
                        Severity.WATCH,
                        List.of(room.shell()),
                        numbers("share", room.share(), "most", MOST_FILLED, "unknown", room.unknown()));
            }
        }
        if (!cables.unlaid().isEmpty()) {
            sheet.add(
                    "cable.unlaid",
                    Severity.NOTE,
                    cables.unlaid(),
                    numbers(
                            "count",
                            cables.unlaid().size(),
                            "of",
                            cables.leads().size()));
        }
        return new Judgement(List.of(), sheet.findings());
    }

    private static void judge(Laying laying, Sheet sheet) {
        Lead lead = laying.lead();
        List<String> subjects =
                List.of(lead.id(), lead.one().part(), lead.other().part());
        double spare = laying.spareMm().orElse(0);
        if (spare < -EXACT_MM) {
            sheet.add(
                    "cable.short",
                    Severity.STOP,
                    subjects,
                    numbers("wayMm", laying.lengthMm(), "ownMm", lead.lengthMm().getAsDouble()));
        } else if (lead.kind() == Lead.Kind.CABLE && spare > Math.max(SPARE_MM, SPARE_SHARE * laying.lengthMm())) {
            sheet.add("cable.spare", Severity.WATCH, subjects, numbers("spareMm", spare, "wayMm", laying.lengthMm()));
        }
        laying.tightest()
                .ifPresent(c -> sheet.add(
                        "cable.bend",
                        Severity.WATCH,
                        subjects,
                        numbers(
                                "radiusMm",
                                c.radiusMm(),
                                "wantedMm",
                                lead.girth().bendMm(),
                                "degrees",
                                c.degrees(),
                                "bend",
                                c.knot())));
        List<String> met =
                laying.meetings().stream().map(Meeting::by).distinct().toList();
        for (String by : met) {
            double depth = laying.meetings().stream()
                    .filter(m -> m.by().equals(by))
                    .mapToDouble(Meeting::depthMm)
                    .max()
                    .orElse(0);
            sheet.add("cable.through", Severity.STOP, List.of(lead.id(), by), numbers("depthMm", depth));
        }
        if (laying.facesAway()) {
            sheet.add("cable.contacts", Severity.STOP, subjects, numbers("folds", laying.folds()));
        } else if (laying.needs().isPresent() && lead.ends().isEmpty() && lead.kind() == Lead.Kind.CABLE) {
            sheet.add("cable.contacts-unsaid", Severity.NOTE, subjects, numbers("folds", laying.folds()));
        }
        if (laying.folds() > 0 || laying.crooked()) {
            sheet.add(
                    "cable.fold",
                    Severity.WATCH,
                    subjects,
                    numbers("folds", laying.folds(), "crooked", laying.crooked() ? 1 : 0));
        }
    }

    /** Tells of cables. */
    private record CablesTelling(Build build, CablesResult cables) implements Telling {

        private String lead(String id) {
            return cables.lead(id).map(Lead::name).orElseGet(() -> name(build, id));
        }

        /** The posture in which something of another tray comes to where a cable is. */
        private String posture(String lead, String by) {
            return cables.laying(lead).stream()
                    .flatMap(l -> l.meetings().stream())
                    .filter(m -> m.by().equals(by))
                    .max(Comparator.comparingDouble(Meeting::depthMm))
                    .filter(m -> !m.posture().isEmpty())
                    .map(m -> FitJudge.where(new FitResult.Where(m.posture())))
                    .orElse("");
        }

        private String guess(Noted f) {
            return cables.lead(f.first()).filter(l -> l.girth().guessed()).isPresent()
                    ? " How thick it is, is a guess: measure it."
                    : "";
        }

        private String ends(Noted f) {
            return " from " + name(build, f.subjects().get(1)) + " to "
                    + name(build, f.subjects().get(2));
        }

        @Override
        public String sentence(Noted f) {
            return switch (f.code()) {
                case "cable.short" -> {
                    String posture = cables.laying(f.first())
                            .map(Laying::posture)
                            .filter(p -> !p.isEmpty())
                            .map(p -> " with the machine “" + p + "”")
                            .orElse("");
                    yield lead(f.first()) + " is " + mm(f.number("ownMm")) + " long; its way" + ends(f) + " takes "
                            + mm(f.number("wayMm")) + posture + ".";
                }
                case "cable.spare" ->
                    lead(f.first()) + " is " + mm(f.number("spareMm")) + " longer than its way" + ends(f) + ": "
                            + coil(f) + ", and that has to lie somewhere.";
                case "cable.bend" ->
                    lead(f.first()) + " is bent by " + Units.format(f.number("degrees"), 0, "°") + " with a radius of "
                            + f.n("radiusMm") + " mm; it bears " + f.n("wantedMm") + " mm." + guess(f);
                case "cable.through" -> {
                    String by = f.subjects().get(1);
                    yield lead(f.first())
                            + (build.shell(by).isPresent() ? " runs into a wall, rib or boss of " : " runs through ")
                            + name(build, by) + posture(f.first(), by) + ", " + f.n("depthMm") + " mm deep." + guess(f);
                }
                case "cable.fold" -> {
                    int folds = (int) f.number("folds");
                    String folded = folds == 0
                            ? ""
                            : " is turned sideways " + (folds == 1 ? "once" : folds + " times")
                                    + ", where it is folded over itself"
                                    + (folds % 2 == 1 ? "; its contacts come out on the other side" : "");
                    yield lead(f.first()) + folded
                            + (f.number("crooked") > 0
                                    ? (folds > 0 ? ", and" : "")
                                            + " arrives on its edge, and is twisted by a quarter turn"
                                    : "")
                            + ".";
                }
                case "cable.contacts" ->
                    lead(f.first()) + "," + ends(f) + ", has its contacts " + contacts(f, false)
                            + "; laid like this it wants them " + contacts(f, true)
                            + ". Plugged in as it is nothing connects, or power meets what it should not.";
                case "cable.contacts-unsaid" ->
                    lead(f.first()) + "," + ends(f) + ", wants its contacts " + contacts(f, true)
                            + " as it is laid; nobody said where this one has them.";
                case "cable.room" ->
                    "Cables fill " + Words.percent(f.number("share")) + " % of what parts leave free in "
                            + name(build, f.first()) + ", what is to spare of them included; more than "
                            + Words.percent(f.number("most")) + " % will hardly close."
                            + (f.number("unknown") > 0
                                    ? " Not counted: " + f.n("unknown") + " of a length that nobody knows."
                                    : "");
                case "cable.unlaid" ->
                    "Of " + f.n("count") + " of " + f.n("of")
                            + " cables and wires nobody said how they are laid: whether they are long enough, and what they"
                            + " take of the room, is not known.";
                default -> throw Telling.unknown(f);
            };
        }

        @Override
        public List<Working.Step> working(Noted f) {
            return switch (f.code()) {
                case "cable.short", "cable.spare" ->
                    cables.laying(f.first()).map(CablesTelling::length).orElse(List.of());
                case "cable.bend" ->
                    List.of(new Working.Step(
                            "radius",
                            "what the legs beside the bend have room for, by the tangent of half its angle",
                            Units.format(f.number("degrees"), 0, "°"),
                            f.n("radiusMm") + " mm"));
                default -> List.of();
            };
        }

        private static List<Working.Step> length(Laying laying) {
            List<String> legs = new ArrayList<>();
            for (int leg = 0; leg + 1 < laying.way().knots().size(); leg++) {
                boolean inside = laying.way().isInside(leg);
                legs.add(inside ? n(laying.way().legMm(leg)) : "from tray to tray");
            }
            return List.of(new Working.Step(
                    "way",
                    "sum of its legs, corner to corner, in the posture in which it is longest",
                    String.join(" + ", legs) + " mm",
                    n(laying.lengthMm()) + " mm"));
        }

        /** What is to spare, rolled up. */
        private String coil(Noted f) {
            Optional<Lead> lead = cables.lead(f.first());
            double spare = f.number("spareMm");
            if (lead.isEmpty()) {
                return "rolled up";
            }
            var girth = lead.get().girth();
            double bend = girth.bendMm();
            if (girth.flat()) {
                double roll = Math.sqrt(4 * spare * girth.thickMm() / Math.PI + 4 * bend * bend);
                return "rolled up it is " + mm(roll) + " thick and " + mm(girth.wideMm()) + " wide";
            }
            double turns = Math.ceil(spare / (2 * Math.PI * bend));
            double side = 2 * bend + girth.thickMm();
            return "rolled up it takes " + mm(side) + " × " + mm(side) + " × " + mm(turns * girth.thickMm());
        }

        private static String mm(double value) {
            return Units.format(value, 0, "mm");
        }

        @Override
        public List<Remedy> cures(Noted f) {
            return switch (f.code()) {
                case "cable.short", "cable.spare" -> lengths(f);
                case "cable.bend", "cable.through" -> betterOr(f, "Move its bends by hand, or what is in its way");
                case "cable.contacts", "cable.contacts-unsaid" -> contacts(f);
                case "cable.fold" ->
                    betterOr(
                            f,
                            "Turn a part so that both sockets look along one line; before buying see on which side the contacts are");
                case "cable.room" -> room();
                case "cable.unlaid" -> List.of(Remedy.by("Find a way for each", Layings.layAll()));
                default -> throw Telling.unknown(f);
            };
        }

        /** Where contacts are, or where they should be. */
        private String contacts(Noted f, boolean wanted) {
            return cables.laying(f.first())
                    .flatMap(l -> wanted ? l.needs() : l.lead().ends())
                    .map(Facet.Joins.Ends::words)
                    .orElse("");
        }

        private List<Remedy> contacts(Noted f) {
            Remedy advice = Remedy.advice("Look before you plug it in; a fold more turns its contacts over");
            return cables.laying(f.first())
                    .flatMap(Laying::needs)
                    .map(needs -> List.of(
                            Remedy.by(
                                    "Take one with contacts " + needs.words(), Layings.withContacts(f.first(), needs)),
                            advice))
                    .orElse(List.of(advice));
        }

        /** Laid anew, where that mends it: no click is to be in vain. Takes some tens of ms. */
        private List<Remedy> anew(Noted f, String words) {
            Edit edit = Layings.anew(f.first());
            Build laid = edit.change().apply(build);
            boolean isMended = new CablesJudge()
                    .judge(laid, CablesEngine.evaluate(laid)).findings().stream()
                            .noneMatch(g ->
                                    g.code().equals(f.code()) && g.subjects().equals(f.subjects()));
            return isMended ? List.of(Remedy.by(words, edit)) : List.of();
        }

        private List<Remedy> betterOr(Noted f, String advice) {
            List<Remedy> cures = new ArrayList<>(anew(f, "Find a better way for it"));
            cures.add(Remedy.advice(advice));
            return cures;
        }

        private List<Remedy> room() {
            List<Remedy> cures = new ArrayList<>();
            if (cables.leads().stream().anyMatch(l -> Layings.isToBeMade(build, l.id()))) {
                cures.add(Remedy.by("Lay each, and have it as long as its way", Layings.tidy()));
            }
            cures.add(Remedy.advice("Take shorter cables, thinner ones, or solder wires in place of plugs"));
            return cures;
        }

        private List<Remedy> lengths(Noted f) {
            String id = f.first();
            double way = f.number("wayMm");
            String wanted = mm(Layings.lengthFor(way));
            List<Remedy> cures = new ArrayList<>();
            // Of several cables end to end nobody knows which is to be longer.
            Optional<Part> cable = build.part(id).filter(p -> p.name().equals(lead(id)));
            if (build.rung(id).isPresent()) {
                cures.add(Remedy.by("Cut the wires to " + wanted, Layings.asLong(id, way)));
            } else if (cable.filter(p -> p.standing().toBuy()).isPresent()) {
                cures.add(Remedy.by("Take one of " + wanted, Layings.asLong(id, way)));
            } else {
                cures.add(Remedy.advice("Buy one of " + wanted));
            }
            if (f.code().equals("cable.short")) {
                cures.addAll(anew(f, "Find a shorter way for it"));
            } else {
                cures.add(Remedy.advice("Keep room for it, and tie it"));
            }
            return cures;
        }
    }
}
