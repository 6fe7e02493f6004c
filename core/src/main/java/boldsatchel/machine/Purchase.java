package boldsatchel.machine;

import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * Where a part is to be had, and whether it is on its way.
 *
 * @param quotes who sells it, and for how much
 * @param order if it is ordered
 */
public record Purchase(
        @Label("offers") List<Quote> quotes, @Label("order") Optional<Order> order) {

    /** Nobody was asked yet. */
    public static final Purchase NONE = new Purchase(List.of(), Optional.empty());

    /** Copies the list. */
    public Purchase {
        quotes = List.copyOf(quotes);
    }

    /**
     * What somebody asks for it.
     *
     * @param from who
     * @param price of one
     * @param shipping to the builder
     * @param currency of both, ISO 4217; empty for that of the brief
     * @param days it takes
     */
    public record Quote(
            @Label("from") String from,
            @Label(value = "price", in = Quantity.MONEY) Figure price,

            @Label(value = "shipping", in = Quantity.MONEY) double shipping,

            @Label("currency, if another") String currency,
            @Label(value = "days it takes", absent = 7) int days) {}

    /**
     * An order.
     *
     * @param from whom
     * @param on the day of ordering
     * @param due when it was promised
     * @param arrived when it came
     */
    public record Order(
            @Label("from") String from,
            @Label("ordered on") Optional<LocalDate> on,
            @Label("promised for") Optional<LocalDate> due,
            @Label("arrived on") Optional<LocalDate> arrived) {

        /** Days that it is late on a day; 0 when it is not, or nobody said when it should come. */
        public long daysLate(LocalDate today) {
            return arrived.isPresent()
                    ? 0
                    : due.map(d -> Math.max(0, today.toEpochDay() - d.toEpochDay()))
                            .orElse(0L);
        }
    }

    /** The same with another order. */
    public Purchase ordered(Order newOrder) {
        return new Purchase(quotes, Optional.of(newOrder));
    }
}
