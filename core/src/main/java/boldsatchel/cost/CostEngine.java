package boldsatchel.cost;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Money;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Cost: one ledger of all that is spent and still to be spent, with what is owned or salvaged shown apart. */
public final class CostEngine implements Engine<CostResult> {

    /** An engine; all are alike. */
    public CostEngine() {}

    @Override
    public String about() {
        return "what it costs";
    }

    @Override
    public Class<CostResult> result() {
        return CostResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.MONEY);
    }

    @Override
    public CostResult work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public CostResult nothing() {
        return new CostResult(Spread.exact(Double.NaN), Double.NaN, Double.NaN, Double.NaN, List.of(), List.of());
    }

    /** Adds up a build. */
    public static CostResult evaluate(Build build) {
        Sum sum = new Sum();
        build.parts().list().forEach(sum::part);
        build.casing().shells().forEach(sum::shell);
        Money money = build.money();
        money.candidates().forEach(c -> sum.part(c.part()));
        String own = build.brief().currency();
        for (int i = 0; i < money.entries().size(); i++) {
            sum.entry(i, money.entries().get(i), money, own);
        }
        return sum.result();
    }

    /** A sum on its way. */
    private static final class Sum {
        private final List<CostResult.Item> items = new ArrayList<>();
        private final List<String> unrated = new ArrayList<>();
        private final Inputs inputs = new Inputs();
        private final Inputs.Effects effects = inputs.new Effects();

        void part(Part part) {
            Input price = part.input(Part.class, "price", part.price());
            stands(part.id(), part.name(), part.standing(), price);
        }

        void shell(Shell shell) {
            if (shell.price().value() > 0) {
                stands(shell.id(), shell.name(), shell.standing(), shell.input("price", shell.price()));
            }
        }

        /** What came wrong is paid and still to be bought: its price stands in both places. */
        private void stands(String id, String what, Part.Standing standing, Input price) {
            double amount = price.figure().value();
            double sigma = price.figure().sigma();
            if (standing.spent()) {
                add(id, what, standing, CostResult.State.SPENT, amount);
                effects.add(price, sigma);
            }
            if (standing.toBuy()) {
                add(id, what, Part.Standing.TO_BUY, CostResult.State.TO_BUY, amount);
                effects.add(price, sigma);
            }
            if (!standing.costs()) {
                add(id, what, standing, CostResult.State.OWNED, amount);
            }
        }

        private void add(String id, String what, Part.Standing standing, CostResult.State state, double amount) {
            items.add(new CostResult.Item(id, what, Optional.of(standing), Optional.empty(), state, amount));
        }

        void entry(int index, Money.Entry entry, Money money, String own) {
            Optional<Figure> worth = money.worth(entry.currency(), own);
            if (worth.isEmpty()) {
                unrated.add(entry.what() + " (" + entry.currency() + ")");
                return;
            }
            double amount = entry.sign() * entry.amount().value();
            Input input = new Input("entry " + index, entry.what(), Money.Entry.class, "amount", entry.amount());
            Input rate = new Input(entry.currency(), entry.currency(), Money.Rate.class, "worth", worth.get());
            items.add(new CostResult.Item(
                    "",
                    entry.what(),
                    Optional.empty(),
                    Optional.of(entry.kind()),
                    entry.paid() ? CostResult.State.SPENT : CostResult.State.TO_BUY,
                    amount * worth.get().value()));
            effects.add(
                    input, entry.sign() * input.figure().sigma() * worth.get().value());
            effects.add(rate, amount * rate.figure().sigma());
        }

        CostResult result() {
            double spent = CostResult.sum(items, CostResult.State.SPENT);
            double toBuy = CostResult.sum(items, CostResult.State.TO_BUY);
            return new CostResult(
                    Spread.ofEffects(spent + toBuy, inputs, effects.byPlace()),
                    spent,
                    toBuy,
                    CostResult.sum(items, CostResult.State.OWNED),
                    items,
                    unrated);
        }
    }
}
