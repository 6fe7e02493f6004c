package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.quantity.Label;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * All that is known of one machine, in sections. Immutable: an edit makes a new one, which shares the sections that did not change.
 *
 * @param name for people
 * @param variant which of the alternatives this is
 * @param brief what it is for
 * @param parts what goes in
 * @param casing the case
 * @param layout where the parts lie
 * @param wiring the power chain
 * @param cooling pads and pipes
 * @param journal the builder's notes
 * @param money what is paid for beside parts and trays
 */
public record Build(
        @Label("name") String name,
        @Label("variant") String variant,
        @Label("brief") Brief brief,
        @Label("parts") Parts parts,
        @Label("case") Casing casing,
        @Label("layout") Layout layout,
        @Label("wiring") Wiring wiring,
        @Label("cooling") Cooling cooling,
        @Label("journal") Journal journal,
        @Label("money") Money money) {

    /** Walls that follow parts are round them, openings that move with a socket where it is. */
    public Build {
        Wrap.Wrapped wrapped = Wrap.all(casing, layout, parts, cooling);
        layout = wrapped.layout();
        casing = Opening.following(wrapped.casing(), layout, parts);
    }

    /** A build with nothing in it. */
    public static Build empty(String name) {
        return new Build(
                name,
                "first",
                Brief.empty(),
                new Parts(List.of()),
                Casing.NONE,
                Layout.NONE,
                Wiring.NONE,
                Cooling.NONE,
                Journal.NONE,
                Money.NONE);
    }

    /** The part with an id. */
    public Optional<Part> part(String id) {
        return parts.part(id);
    }

    /** The shell with an id. */
    public Optional<Shell> shell(String id) {
        return casing.shell(id);
    }

    /** Where a part lies. */
    public Optional<Placement> placement(String partId) {
        return layout.of(partId);
    }

    /** Parts that belong inside and have no place yet. */
    public List<Part> loose() {
        List<Part> loose = new ArrayList<>();
        for (Part part : parts.list()) {
            if (!part.staysOutside() && !part.isLed() && placement(part.id()).isEmpty()) {
                loose.add(part);
            }
        }
        return List.copyOf(loose);
    }

    /** All rungs of all chains, from the sources down. */
    public Stream<Rung> rungs() {
        return wiring.rungs();
    }

    /** The rung with an id. */
    public Optional<Rung> rung(String id) {
        return wiring.rung(id);
    }

    /** The part a rung is. */
    public Optional<Part> partOf(Rung rung) {
        return rung.part().flatMap(this::part);
    }

    /** The socket that a rung is, if its part has it and it gives power. */
    public Optional<Part.Outlet> outlet(Rung rung) {
        return rung.stage() instanceof Rung.Socket s
                ? part(s.part()).flatMap(p -> p.outlet(s.port()))
                : Optional.empty();
    }

    /** An id that no part and no rung has yet, made from a wish. */
    public String freeId(String wish) {
        String id = wish;
        for (int n = 2; isTaken(id); n++) {
            id = wish + "-" + n;
        }
        return id;
    }

    private boolean isTaken(String id) {
        return part(id).isPresent() || rung(id).isPresent();
    }

    /** The same build under another name. */
    public Build named(String newName) {
        return new Build(newName, variant, brief, parts, casing, layout, wiring, cooling, journal, money);
    }

    /** The same build with another brief. */
    public Build with(Brief newBrief) {
        return new Build(name, variant, newBrief, parts, casing, layout, wiring, cooling, journal, money);
    }

    /** The same build with other parts. */
    public Build with(Parts newParts) {
        return new Build(name, variant, brief, newParts, casing, layout, wiring, cooling, journal, money);
    }

    /** The same build with another case. */
    public Build with(Casing newCasing) {
        return new Build(name, variant, brief, parts, newCasing, layout, wiring, cooling, journal, money);
    }

    /**
     * The same build with the walls of a tray round another room: what is in or on a wall goes with it, and so does a lid of the same outline.
     *
     * @param room in the tray's frame; parts stay beside one another as they are
     */
    public Build walled(Shell shell, Box room) {
        Wrap.Wrapped wrapped = Wrap.round(casing, layout, shell, room);
        return new Build(
                name, variant, brief, parts, wrapped.casing(), wrapped.layout(), wiring, cooling, journal, money);
    }

    /** The same build laid out differently. */
    public Build with(Layout newLayout) {
        return new Build(name, variant, brief, parts, casing, newLayout, wiring, cooling, journal, money);
    }

    /** The same build wired differently. */
    public Build with(Wiring newWiring) {
        return new Build(name, variant, brief, parts, casing, layout, newWiring, cooling, journal, money);
    }

    /** The same build cooled differently. */
    public Build with(Cooling newCooling) {
        return new Build(name, variant, brief, parts, casing, layout, wiring, newCooling, journal, money);
    }

    /** The same build with other notes. */
    public Build with(Journal newJournal) {
        return new Build(name, variant, brief, parts, casing, layout, wiring, cooling, newJournal, money);
    }

    /** The same build with other money. */
    public Build with(Money newMoney) {
        return new Build(name, variant, brief, parts, casing, layout, wiring, cooling, journal, newMoney);
    }

    /** The same build with one part put in place of the part of the same id, or added. */
    public Build with(Part part) {
        return with(parts.with(part));
    }

    /** The same build with a part placed, in place of where it lay before. */
    public Build with(Placement placement) {
        return with(layout.with(placement));
    }

    /** The same build with another power chain. */
    public Build withChain(List<Rung> newChain) {
        return with(wiring.withChain(newChain));
    }
}
