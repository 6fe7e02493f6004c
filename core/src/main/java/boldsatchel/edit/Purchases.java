package boldsatchel.edit;

import boldsatchel.machine.Build;
import boldsatchel.machine.Money;
import boldsatchel.machine.Part;
import boldsatchel.machine.Part.Standing;
import boldsatchel.machine.Purchase;
import boldsatchel.quantity.Figure;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Buying: offers, orders, what came, and which of several is kept. */
public final class Purchases {

    private Purchases() {}

    /** Orders a part. */
    public static Edit order(Part part, Purchase.Order order) {
        return Edits.part(
                "order ", part, p -> p.standing(Standing.ORDERED, p.purchase().ordered(order)));
    }

    /** What was ordered is here. */
    public static Edit arrived(Part part, LocalDate on) {
        return Edits.part("take in ", part, p -> p.standing(Standing.BOUGHT, came(p, on)));
    }

    /** Something else came than what was ordered. */
    public static Edit wrongOne(Part part, LocalDate on) {
        return Edits.part("refuse ", part, p -> p.standing(Standing.WRONG, came(p, on)));
    }

    private static Purchase came(Part part, LocalDate on) {
        Purchase.Order order = part.purchase()
                .order()
                .orElse(new Purchase.Order("", Optional.empty(), Optional.empty(), Optional.empty()));
        return part.purchase().ordered(new Purchase.Order(order.from(), order.on(), order.due(), Optional.of(on)));
    }

    /**
     * Takes one of a part's offers: its price is the part's, and its shipping is an entry of the ledger. When its currency has no rate yet
     * that is refused.
     */
    public static Edit take(Part part, Purchase.Quote quote) {
        return new Edit(
                "take the offer of " + quote.from() + " for " + part.name(),
                b -> b.part(part.id()).map(p -> taken(b, p, quote)).orElse(b));
    }

    private static Build taken(Build build, Part part, Purchase.Quote quote) {
        Figure worth = build.money()
                .worth(quote.currency(), build.brief().currency())
                .orElseThrow(() -> new IllegalArgumentException("say first what one " + quote.currency()
                        + " is worth, under “Rates of exchange” in the ledger"));
        double share = worth.value() == 0 ? 0 : worth.plusMinus() / worth.value();
        double price = quote.price().value() * worth.value();
        double plusMinus = quote.price().plusMinus() * worth.value() + price * share;
        Build priced = build.with(
                part.priced(new Figure(price, plusMinus, quote.price().basis())));
        return quote.shipping() == 0
                ? priced
                : priced.with(build.money()
                        .and(new Money.Entry(
                                "shipping of " + part.name(),
                                Money.Kind.SHIPPING,
                                Figure.planned(quote.shipping()),
                                quote.currency(),
                                false,
                                Optional.empty())));
    }

    /** Puts a part beside one of the build that may take its place. */
    public static Edit candidate(Part instead, Part candidate) {
        return new Edit("consider " + candidate.name() + " for " + instead.name(), b -> {
            List<Money.Candidate> all = new ArrayList<>(b.money().candidates());
            all.add(new Money.Candidate(candidate.withId(b.freeId(candidate.id())), instead.id()));
            return b.with(b.money().withCandidates(all));
        });
    }

    /** Keeps a candidate: it takes the place of the part, which is a candidate itself now, whatever it has cost. */
    public static Edit keep(Money.Candidate candidate) {
        return new Edit(
                "keep " + candidate.part().name(),
                b -> b.part(candidate.insteadOf())
                        .map(old -> {
                            List<Money.Candidate> all =
                                    new ArrayList<>(b.money().candidates());
                            all.remove(candidate);
                            String freed = candidate.part().id();
                            all.add(new Money.Candidate(old.withId(freed), old.id()));
                            return b.with(candidate.part().withId(old.id()))
                                    .with(b.money().withCandidates(all));
                        })
                        .orElse(b));
    }

    /** Gives a candidate up: what it has cost stays in the ledger as a reject. */
    public static Edit giveUp(Money.Candidate candidate) {
        return new Edit("give up " + candidate.part().name(), b -> {
            List<Money.Candidate> all = new ArrayList<>(b.money().candidates());
            all.remove(candidate);
            Money left = b.money().withCandidates(all);
            Part part = candidate.part();
            return b.with(part.standing().spent() ? left.rejecting(part) : left);
        });
    }

    /** Changes what is paid for beside parts. */
    public static Edit money(String name, UnaryOperator<Money> change) {
        return new Edit(name, b -> b.with(change.apply(b.money())));
    }
}
