package boldsatchel.machine;

import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A thing that goes into a build: a body plus facets.
 *
 * @param id unique in its build or library; letters, digits and hyphens
 * @param name for people
 * @param family what it is for
 * @param note anything worth remembering
 * @param massG grams
 * @param price in the currency of the brief
 * @param standing whether it is still to be bought
 * @param body its shape
 * @param facets what it does, at most one of a kind
 * @param alterations what was done to it since it was bought, the last one last
 * @param purchase where it is to be had
 * @param origin id of the shelf entry it came from: parts of one origin share the errors of its data sheet
 */
public record Part(
        @Label(value = "id", needed = true) String id,
        @Label("name") String name,
        @Label("family") Family family,
        @Label("note") String note,
        @Label(value = "mass", in = Quantity.MASS) Figure massG,
        @Label(value = "price", in = Quantity.MONEY) Figure price,
        @Label("to be had") Standing standing,
        @Label("body") Body body,
        @Label("what it does") List<Facet> facets,
        @Label("alterations") List<Alteration> alterations,
        @Label("where it is to be had") Purchase purchase,
        @Label("shelf entry") Optional<String> origin) {

    /** How a part is to be had. */
    public enum Standing {
        /** Still to be bought. */
        TO_BUY("to buy"),
        /** Ordered and paid, not here. */
        ORDERED("ordered"),
        /** Bought for this build, and here. */
        BOUGHT("bought, here"),
        /** Paid, and the wrong one came: the right one is still to be bought. */
        WRONG("the wrong one came"),
        /** In the drawer. */
        OWNED("owned"),
        /** Taken from something old. */
        SALVAGED("salvaged");

        private final String words;

        Standing(String words) {
            this.words = words;
        }

        /** As shown in a list. */
        public String words() {
            return words;
        }

        /** Whether it takes money of this build, spent or still to be spent. */
        public boolean costs() {
            return this != OWNED && this != SALVAGED;
        }

        /** Whether its price is spent. */
        public boolean spent() {
            return this == ORDERED || this == BOUGHT || this == WRONG;
        }

        /** Whether its price is still to be spent. */
        public boolean toBuy() {
            return this == TO_BUY || this == WRONG;
        }

        /** Whether it is at hand. */
        public boolean here() {
            return this == BOUGHT || this == OWNED || this == SALVAGED;
        }
    }

    /** Copies the list; refuses two facets of a kind. */
    public Part {
        facets = List.copyOf(facets);
        alterations = List.copyOf(alterations);
        if (facets.stream().map(Object::getClass).distinct().count() != facets.size()) {
            throw new IllegalArgumentException("part " + id + " has two facets of one kind");
        }
    }

    /** A part that came from no shelf. */
    public Part(
            String id,
            String name,
            Family family,
            String note,
            Figure massG,
            Figure price,
            Standing standing,
            Body body,
            List<Facet> facets) {
        this(id, name, family, note, massG, price, standing, body, facets, List.of(), Purchase.NONE, Optional.empty());
    }

    /** The same part as an entry of a shelf. */
    public Part onShelf() {
        return with(id, name, massG, price, body, facets, Optional.of(id));
    }

    /**
     * One of its figures as an input of a result. What a data sheet says is shared by all parts off one shelf entry; what was measured or
     * guessed is this part's own.
     *
     * @param of the record that holds the figure: the part itself, its body or a facet
     * @param field its name there
     */
    public Input input(Class<?> of, String field, Figure figure) {
        String owner = figure.basis() == Basis.DATA_SHEET
                ? origin.map(o -> "shelf " + o).orElse(id)
                : id;
        return new Input(owner, name, of, field, figure);
    }

    /** Its width, depth and height as inputs, in this order, mm. */
    public List<Input> sizes() {
        return List.of(
                input(Body.class, "widthMm", body.widthMm()),
                input(Body.class, "depthMm", body.depthMm()),
                input(Body.class, "heightMm", body.heightMm()));
    }

    /** The facet of a kind, if the part has it. */
    public <F extends Facet> Optional<F> facet(Class<F> kind) {
        for (int i = 0; i < facets.size(); i++) {
            if (kind.isInstance(facets.get(i))) {
                return Optional.of(kind.cast(facets.get(i)));
            }
        }
        return Optional.empty();
    }

    /** Whether it shows a picture. */
    public boolean isScreen() {
        return facet(Facet.ShowsPicture.class).isPresent();
    }

    /** Whether it stores energy: cells or a power bank. */
    public boolean isSource() {
        return facet(Facet.Cells.class).isPresent()
                || facet(Facet.PowerBank.class).isPresent();
    }

    /** Whether a chain can begin with it: a store of energy or a mains adapter. */
    public boolean givesPower() {
        return isSource() || facet(Facet.Adapter.class).isPresent();
    }

    /** Whether it is plugged in rather than built in: it needs no place and is not carried. */
    public boolean staysOutside() {
        return facet(Facet.Adapter.class).isPresent()
                || facet(Facet.StaysBeside.class).isPresent();
    }

    /** Energy of its cells by the label, Wh; 0 for what stores none. */
    public double labelWh() {
        return facet(Facet.Cells.class)
                .map(Facet.Cells::nominalWh)
                .or(() -> facet(Facet.PowerBank.class).map(b -> b.ratedWh().value()))
                .orElse(0.0);
    }

    /** Least voltage it feeds a chain with, V: cells at their cut-off, or the voltage asked for; 0 for what gives no power. */
    public double feedsLowV() {
        return facet(Facet.Cells.class)
                .map(c -> c.series() * c.cutoffV())
                .or(() -> offer().map(Facet.Offer::volts))
                .orElse(0.0);
    }

    /** Most voltage it feeds a chain with, V: cells full on the charger, or the voltage asked for; 0 for what gives no power. */
    public double feedsHighV() {
        return facet(Facet.Cells.class)
                .map(c -> c.series() * c.chemistry().chargeV())
                .or(() -> offer().map(Facet.Offer::volts))
                .orElse(0.0);
    }

    /** Most charge current of its cells, A: what the maker says, else the usual share of the capacity; 0 without cells. */
    public double maxChargeA() {
        return facet(Facet.Manages.class)
                .map(Facet.Manages::maxChargeA)
                .or(() -> facet(Facet.Cells.class)
                        .map(c -> Facet.Manages.USUAL_CHARGE_PER_HOUR
                                * c.capacityAh().value()
                                * c.parallel()))
                .orElse(0.0);
    }

    /**
     * A socket that gives power.
     *
     * @param port the socket
     * @param gives what it gives
     * @param rail what it hangs on; absent for what the part itself is fed with
     */
    public record Outlet(Port port, Port.Gives gives, Optional<Facet.Rail> rail) {
        /** Its voltage, where its part makes it. */
        public Optional<Double> madeV() {
            return rail.filter(r -> r.efficiency().isPresent()).map(Facet.Rail::volts);
        }

        /** Whether there is anything on it in a mode of its part. */
        public boolean live(Mode mode) {
            return rail.map(r -> r.live().in(mode)).orElse(true);
        }
    }

    /** Its sockets that give power. */
    public List<Outlet> outlets() {
        Optional<Facet.FeedsOthers> feeds = facet(Facet.FeedsOthers.class);
        List<Outlet> outlets = new ArrayList<>();
        for (Port port : body.ports()) {
            port.gives()
                    .ifPresent(gives -> outlets.add(new Outlet(port, gives, feeds.flatMap(f -> f.rail(gives.rail())))));
        }
        return outlets;
    }

    /** The socket of an id, if it gives power. */
    public Optional<Outlet> outlet(String port) {
        return outlets().stream().filter(o -> o.port().id().equals(port)).findFirst();
    }

    /** The socket of an id. */
    public Optional<Port> port(String port) {
        for (Port p : body.ports()) {
            if (p.id().equals(port)) {
                return Optional.of(p);
            }
        }
        return Optional.empty();
    }

    /** Whether it is a cable: led between other parts, placed nowhere. */
    public boolean isLed() {
        return facet(Facet.Joins.class).isPresent();
    }

    /** Voltages and currents it can be asked for; empty when it has only the one in use. */
    public List<Facet.Offer> offers() {
        return facet(Facet.Offers.class).map(Facet.Offers::offers).orElse(List.of());
    }

    /** The voltage and current a bank or adapter gives now. */
    public Optional<Facet.Offer> offer() {
        return facet(Facet.PowerBank.class)
                .map(b -> new Facet.Offer(b.outV(), b.outA()))
                .or(() -> facet(Facet.Adapter.class).map(a -> new Facet.Offer(a.outV(), a.outA())));
    }

    /** The same supply asked for another voltage. */
    public Part asked(Facet.Offer offer) {
        return facet(Facet.PowerBank.class)
                .<Facet>map(b -> b.asked(offer))
                .or(() -> facet(Facet.Adapter.class)
                        .map(a -> new Facet.Adapter(offer.volts(), offer.amps(), a.outOhms())))
                .map(this::withFacet)
                .orElse(this);
    }

    /** The same part under another id. */
    public Part withId(String newId) {
        return with(newId, name, massG, price, body, facets, origin);
    }

    /** The same part under another name. */
    public Part named(String newName) {
        return with(id, newName, massG, price, body, facets, origin);
    }

    /** The same part with another mass. */
    public Part weighing(Figure newMassG) {
        return with(id, name, newMassG, price, body, facets, origin);
    }

    /** The same part with another price. */
    public Part priced(Figure newPrice) {
        return with(id, name, massG, newPrice, body, facets, origin);
    }

    /** The same part with another body. */
    public Part withBody(Body newBody) {
        return with(id, name, massG, price, newBody, facets, origin);
    }

    /** The same part with a facet set in place of the one of its kind. */
    public Part withFacet(Facet facet) {
        List<Facet> changed = new ArrayList<>(facets);
        boolean replaced = false;
        for (int i = 0; i < changed.size(); i++) {
            if (changed.get(i).getClass() == facet.getClass()) {
                changed.set(i, facet);
                replaced = true;
            }
        }
        if (!replaced) {
            changed.add(facet);
        }
        return with(id, name, massG, price, body, changed, origin);
    }

    /** The same part that no longer does something. */
    public Part without(Class<? extends Facet> kind) {
        return with(
                id,
                name,
                massG,
                price,
                body,
                facets.stream().filter(f -> !kind.isInstance(f)).toList(),
                origin);
    }

    /** The same part that is to be had otherwise. */
    public Part standing(Standing newStanding, Purchase newPurchase) {
        return new Part(
                id, name, family, note, massG, price, newStanding, body, facets, alterations, newPurchase, origin);
    }

    /** The same part with another mass and body, altered so. */
    public Part altered(Figure newMassG, Body newBody, List<Alteration> newAlterations) {
        return new Part(
                id, name, family, note, newMassG, price, standing, newBody, facets, newAlterations, purchase, origin);
    }

    private Part with(
            String newId,
            String newName,
            Figure newMassG,
            Figure newPrice,
            Body newBody,
            List<Facet> newFacets,
            Optional<String> newOrigin) {
        return new Part(
                newId,
                newName,
                family,
                note,
                newMassG,
                newPrice,
                standing,
                newBody,
                newFacets,
                alterations,
                purchase,
                newOrigin);
    }
}
