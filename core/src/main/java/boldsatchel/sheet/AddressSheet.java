package boldsatchel.sheet;

import boldsatchel.links.Bus;
import boldsatchel.machine.Facet;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Who answers to which address on which bus. */
final class AddressSheet {

    static final String ID = "addresses";
    static final String TITLE = "I2C addresses";

    private AddressSheet() {}

    static Table of(Sheets.Source source) {
        List<List<String>> rows = new ArrayList<>();
        for (Bus bus : Bus.all(source.build(), source.links().needs())) {
            for (String id : bus.parts()) {
                Optional<Facet.OnBus> on = source.build().part(id).flatMap(p -> p.facet(Facet.OnBus.class));
                List<Integer> addresses = on.map(Facet.OnBus::addresses).orElse(List.of());
                rows.add(List.of(
                        source.name(bus.header().part()) + ", " + source.socket(bus.header()),
                        source.name(id),
                        addresses.isEmpty() ? "not known" : hex(addresses.getFirst()),
                        addresses.stream().skip(1).map(AddressSheet::hex).collect(Collectors.joining(", ")),
                        on.flatMap(Facet.OnBus::pullUpOhms)
                                .map(r -> Units.format(r / 1000, 1, "kΩ"))
                                .orElse("none known"),
                        Double.isInfinite(bus.pullUpOhms())
                                ? "never, as far as known"
                                : Units.format(bus.riseSeconds() * 1e9, 0, "ns") + " of "
                                        + Units.format(bus.riseMostSeconds() * 1e9, 0, "ns")));
            }
        }
        return new Table(
                ID,
                TITLE,
                "Addresses have seven bits. A scan of the bus must list these and no others.",
                List.of("bus", "part", "address", "could be", "pull-ups", "bus rises in"),
                List.of(26, 24, 10, 14, 12, 14),
                rows);
    }

    private static String hex(int address) {
        return String.format("0x%02X", address);
    }
}
