package boldsatchel.cost;

import boldsatchel.machine.Money;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Spread;
import java.util.List;
import java.util.Optional;

/**
 * The ledger, in the currency of the brief.
 *
 * @param all spent and still to be spent: what a limit is about
 * @param spent what is gone; what came back is taken off
 * @param toBuy what is still to be spent
 * @param owned worth of what was owned or salvaged
 * @param items what it is made of
 * @param unrated amounts left out because nobody said what their currency is worth
 */
public record CostResult(Spread all, double spent, double toBuy, double owned, List<Item> items, List<String> unrated) {

    /** Copies the lists. */
    public CostResult {
        items = List.copyOf(items);
        unrated = List.copyOf(unrated);
    }

    /** Where an amount belongs. */
    public enum State {
        /** Gone. */
        SPENT("spent"),
        /** Still to be spent. */
        TO_BUY("to buy"),
        /** No money: worth of what was there. */
        OWNED("owned");

        private final String words;

        State(String words) {
            this.words = words;
        }

        /** As written in a list. */
        public String words() {
            return words;
        }
    }

    /**
     * One line.
     *
     * @param subject id of the part or tray; empty for what is neither
     * @param what it is
     * @param part how it is to be had, where it is a part or a tray
     * @param other what else money goes for, where it is neither
     * @param state where it belongs
     * @param amount in the currency of the brief; less than nothing where money came back
     */
    public record Item(
            String subject,
            String what,
            Optional<Part.Standing> part,
            Optional<Money.Kind> other,
            State state,
            double amount) {
        /** What sort of thing it is, in words. */
        public String sort() {
            return part.map(Part.Standing::words)
                    .or(() -> other.map(Money.Kind::words))
                    .orElse("");
        }
    }

    /** Sum of the lines of a state. */
    static double sum(List<Item> items, State state) {
        double sum = 0;
        for (Item item : items) {
            sum += item.state() == state ? item.amount() : 0;
        }
        return sum;
    }
}
