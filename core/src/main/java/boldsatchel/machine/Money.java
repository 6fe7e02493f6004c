package boldsatchel.machine;

import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Section: money beside the parts and trays that are built in.
 *
 * @param entries what else is paid for
 * @param candidates parts bought or looked at to take the place of one in the build; one is kept
 * @param rates what other currencies are worth
 */
public record Money(
        @Label("what else costs money") List<Entry> entries,
        @Label("candidates") List<Candidate> candidates,
        @Label("rates of exchange") List<Rate> rates) {

    /** Nothing else. */
    public static final Money NONE = new Money(List.of(), List.of(), List.of());

    /** Copies the lists. */
    public Money {
        entries = List.copyOf(entries);
        candidates = List.copyOf(candidates);
        rates = List.copyOf(rates);
    }

    /** What money goes for. */
    public enum Kind {
        /** A second one, in case. */
        SPARE("spare"),
        /** Bought and not used. */
        REJECT("reject"),
        /** Money that comes back. */
        REFUND("sent back, money returns"),
        /** A tool. */
        TOOL("tool"),
        /** Solder, glue, filament. */
        CONSUMABLE("consumable"),
        /** Postage and duty. */
        SHIPPING("shipping"),
        /** Anything else. */
        OTHER("other");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }
    }

    /**
     * One amount.
     *
     * @param what it is for
     * @param kind what sort
     * @param amount of money; what returns is written as it is, without a minus
     * @param currency of it, ISO 4217; empty for that of the brief
     * @param paid whether it is spent, or has come back
     * @param on which day
     */
    public record Entry(
            @Label("what") String what,
            @Label(value = "kind", absent = 6) Kind kind,
            @Label(value = "amount", in = Quantity.MONEY) Figure amount,
            @Label("currency, if another") String currency,
            @Label("paid") boolean paid,
            @Label("on") Optional<LocalDate> on) {
        /** What it adds to what is spent: less than nothing when money returns. */
        public double sign() {
            return kind == Kind.REFUND ? -1 : 1;
        }
    }

    /**
     * A part that may take the place of another.
     *
     * @param part it
     * @param insteadOf id of the part in the build
     */
    public record Candidate(
            @Label("part") Part part,
            @Label(value = "instead of", needed = true) String insteadOf) {}

    /**
     * What another currency is worth.
     *
     * @param currency ISO 4217
     * @param worth one of it in the currency of the brief
     * @param on when that was looked up
     */
    public record Rate(
            @Label("currency") String currency,

            @Label(value = "one is worth", in = Quantity.MONEY, absent = 1)
            Figure worth,

            @Label("looked up on") Optional<LocalDate> on) {}

    /** What one of a currency is worth in that of the brief; nothing when nobody said. */
    public Optional<Figure> worth(String currency, String own) {
        return currency.isBlank() || currency.equals(own)
                ? Optional.of(new Figure(1, 0, Basis.PLANNED))
                : rates.stream()
                        .filter(r -> r.currency().equals(currency))
                        .findFirst()
                        .map(Rate::worth);
    }

    /** The same with one more entry. */
    public Money and(Entry entry) {
        List<Entry> more = new ArrayList<>(entries);
        more.add(entry);
        return new Money(more, candidates, rates);
    }

    /** The same with a part that was paid for and is not used. */
    public Money rejecting(Part part) {
        return and(new Entry(part.name(), Kind.REJECT, part.price(), "", true, Optional.empty()));
    }

    /** The same with other candidates. */
    public Money withCandidates(List<Candidate> newCandidates) {
        return new Money(entries, newCandidates, rates);
    }
}
