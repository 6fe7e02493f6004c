package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.abilities.Abilities;
import boldsatchel.abilities.AbilitiesEngine;
import boldsatchel.abilities.Gap;
import boldsatchel.engine.Engine;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** Tells what the machine will not do for its user. It answers no question of its own. */
public final class AbilitiesJudge implements Judge<Abilities> {

    /** A judge; all are alike. */
    public AbilitiesJudge() {}

    @Override
    public Engine<Abilities> engine() {
        return new AbilitiesEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.WIRING);
    }

    @Override
    public Judgement judge(Build build, Abilities abilities) {
        List<Finding> findings = new ArrayList<>(abilities.gaps().size());
        for (Gap gap : abilities.gaps(build)) {
            Sheet sheet = new Sheet(findings, new AbilitiesTelling(build, abilities, gap));
            sheet.add(
                    code(gap.kind()), severity(gap.kind()), gap.subjects(), numbers("is", gap.is(), "may", gap.may()));
        }
        return new Judgement(List.of(), findings);
    }

    static String code(Gap.Kind kind) {
        return "does." + kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static Severity severity(Gap.Kind kind) {
        return switch (kind) {
            case NO_NETWORK, NO_SOUND, UNKNOWN_PROCESSOR, UNTRIED, GHOST_KEYS, QUIET, BOTH_PLAY -> Severity.NOTE;
            case NO_POINTER,
                    NO_STORAGE,
                    SLOW_STORAGE,
                    MEMORY,
                    EMULATED,
                    PARTLY,
                    TURNED,
                    NO_WAY_IN,
                    UNMARKED,
                    STAYS_LIT,
                    TOO_STRONG,
                    ONE_CHANNEL -> Severity.WATCH;
            case STORAGE, OTHER_PROCESSOR, FAILS, PIN_CURRENT, PINS_CURRENT, OVERLOAD -> Severity.STOP;
        };
    }
}
