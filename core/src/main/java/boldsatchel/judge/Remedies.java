package boldsatchel.judge;

import static boldsatchel.judge.Words.n;

import boldsatchel.edit.Edits;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.verdict.Remedy;

/** Cures that several tellings offer. */
final class Remedies {

    private Remedies() {}

    /** Another part in the place of one. */
    static Remedy instead(Part old, Part by) {
        return Remedy.by("Take “" + by.name() + "” instead", Edits.replacePart(old, by));
    }

    /** Another of a supply's voltages. */
    static Remedy ask(Part supply, Facet.Offer offer) {
        return ask("Ask it for " + n(offer.volts()) + " V, " + n(offer.amps()) + " A", supply, offer);
    }

    /** Another of a supply's voltages, in words of one's own. */
    static Remedy ask(String words, Part supply, Facet.Offer offer) {
        return Remedy.by(words, Edits.changePart("voltage asked", supply, p -> p.asked(offer)));
    }
}
