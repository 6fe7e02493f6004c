package boldsatchel;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Key;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Purchase;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Signal;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Small builds for tests. Figures carry no doubt unless a test gives them some. */
public final class Samples {

    private Samples() {}

    public static Figure exact(double value) {
        return new Figure(value, 0, Basis.MEASURED);
    }

    /** A board of 40 × 20 × 6 mm with buttons. */
    public static Part keyed(Key... keys) {
        return part("board", Family.CONTROL, 40, 20, 6, 20)
                .withBody(new Body(
                        exact(40),
                        exact(20),
                        exact(6),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(keys),
                        Optional.empty()));
    }

    public static Part part(String id, Family family, double w, double d, double h, double g, Facet... facets) {
        return new Part(
                id,
                id,
                family,
                "",
                exact(g),
                exact(0),
                Part.Standing.OWNED,
                Body.block(exact(w), exact(d), exact(h)),
                List.of(facets));
    }

    /** A bank of power of a usual size. */
    public static Part bank(Facet.PowerBank holds) {
        return part("bank", Family.BATTERY, 60, 60, 15, 200, holds);
    }

    public static Part block(String id, double w, double d, double h) {
        return part(id, Family.DRIVE, w, d, h, 10);
    }

    public static Facet.DrawsPower load(double watts, double lowV, double highV) {
        return load(watts, watts, lowV, highV);
    }

    public static Facet.DrawsPower load(double watts, double startWatts, double lowV, double highV) {
        return new Facet.DrawsPower(
                lowV,
                (lowV + highV) / 2,
                highV,
                Facet.LoadKind.POWER,
                exact(0),
                exact(watts / 20),
                exact(watts / 2),
                exact(watts),
                exact(startWatts),
                exact(1),
                exact(0));
    }

    /** Two sockets on a rail of 5 V that their part makes, and one that passes its input on. */
    public static final List<String> SOCKETS = List.of("USB 1", "USB 2", "DC out");

    /** The same part with {@link #SOCKETS}: 0.9 A each, 1.5 A of both on the rail, 2 A passed on. */
    public static Part socketed(Part part, Figure efficiency, Figure ohms) {
        List<Port> ports = new ArrayList<>();
        for (String name : SOCKETS) {
            boolean made = !name.equals(SOCKETS.getLast());
            ports.add(new Port(
                    name,
                    made ? Connector.USB_A : Connector.BARREL,
                    Face.RIGHT,
                    new Vec(part.body().widthMm().value(), 10.0 * ports.size(), 3),
                    Port.Use.UNUSED,
                    Optional.of(new Port.Gives(made ? "5 V" : "", made ? 0.9 : 2, ohms))));
        }
        Body b = part.body();
        return part.withBody(new Body(
                        b.widthMm(), b.depthMm(), b.heightMm(), b.solids(), b.zones(), ports, b.centreOfMass()))
                .withFacet(new Facet.FeedsOthers(
                        List.of(new Facet.Rail("5 V", 5, 1.5, Facet.Live.ON, Optional.of(efficiency))),
                        Optional.empty()));
    }

    /** A load that draws another figure when busy. */
    public static Facet.DrawsPower busy(Facet.DrawsPower d, Figure watts) {
        return drawing(d, d.idleW(), watts);
    }

    /** A load that draws other figures when idle and when busy. */
    public static Facet.DrawsPower drawing(Facet.DrawsPower d, Figure idleW, Figure busyW) {
        return new Facet.DrawsPower(
                d.lowV(),
                d.nominalV(),
                d.highV(),
                d.kind(),
                d.offW(),
                d.sleepW(),
                idleW,
                busyW,
                d.startW(),
                d.startSeconds(),
                d.backlightW());
    }

    public static Facet.Cells cells(
            Facet.Chemistry chemistry, int s, int p, double ah, double cellOhms, double packOhms, double cutoffV) {
        return new Facet.Cells(
                chemistry,
                s,
                p,
                exact(ah),
                chemistry == Facet.Chemistry.LIFEPO4 ? 3.2 : 3.6,
                exact(cellOhms),
                exact(packOhms),
                cutoffV,
                1e3,
                1e3,
                true,
                exact(1));
    }

    public static Facet.Converts converter(
            Facet.ConverterKind kind, double outV, double q, double v, double r, double limitA, double dropoutV) {
        return new Facet.Converts(kind, outV, exact(q), exact(v), exact(r), limitA, dropoutV, 0.5, 60, outV);
    }

    public static Build chain(Rung root, double packC, Part... parts) {
        Brief brief = Brief.empty()
                .withSurroundings(new Brief.Surroundings(25, packC, false, true))
                .withProfiles(List.of(UseProfile.always(Mode.BUSY)));
        return Build.empty("test").with(brief).with(new Parts(List.of(parts))).withChain(List.of(root));
    }

    public static Rung rung(String part, Rung... feeds) {
        return Rung.of("r-" + part, new Rung.OfPart(part), feeds);
    }

    /** The build with another part hung below a rung. */
    public static Build hung(Build build, Part part, String below) {
        List<Part> parts = new ArrayList<>(build.parts().list());
        parts.add(part);
        Rung added = rung(part.id());
        return build.with(new Parts(parts))
                .withChain(build.wiring().chain().stream()
                        .map(root -> root.map(r -> {
                            List<Rung> feeds = new ArrayList<>(r.feeds());
                            if (r.id().equals(below)) {
                                feeds.add(added);
                            }
                            return r.feeding(feeds);
                        }))
                        .toList());
    }

    public static Shell box(double w, double d, double h, double wall, Material material) {
        return tray("box", w, d, h, exact(wall), material, false);
    }

    /** A printed tray without ribs. */
    public static Shell tray(
            String id, double w, double d, double h, Figure wall, Material material, boolean openTop, Vent... vents) {
        Shell plain = shell(id, new Box(0, 0, 0, w, d, h), wall, material, Shell.Making.PRINTED, openTop);
        return Form.of(Shell.class).field("vents").with(plain, List.of(vents));
    }

    /** A plain tray whose inside is known exactly. */
    public static Shell shell(
            String id, Box inside, Figure wall, Material material, Shell.Making making, boolean openTop) {
        Shell exact = Shell.plain(id, id, inside, wall, material, making, openTop);
        for (String size : List.of("widthMm", "depthMm", "heightMm")) {
            Form.Field field = Form.of(Shell.class).field(size);
            exact = field.with(exact, exact(((Figure) field.get(exact)).value()));
        }
        return exact;
    }

    public static Build packed(Shell shell, List<Part> parts, List<Vec> at) {
        List<Placement> placements = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            placements.add(new Placement(parts.get(i).id(), shell.id(), at.get(i), Orientation.AS_DRAWN, Set.of()));
        }
        return Build.empty("test")
                .with(Casing.NONE.withShells(List.of(shell)))
                .with(new Parts(parts))
                .with(new Layout(placements));
    }

    /** A load of constant current: so many amps busy, half of them idle. */
    public static Part sink(double amps) {
        return part(
                "sink",
                Family.COOLING,
                1,
                1,
                1,
                1,
                new Facet.DrawsPower(
                        1,
                        4,
                        30,
                        Facet.LoadKind.CURRENT,
                        exact(0),
                        exact(0),
                        exact(amps * 2),
                        exact(amps * 4),
                        exact(amps * 4),
                        exact(1),
                        exact(0)));
    }

    private static Port plug(String id) {
        return new Port(
                id,
                id,
                Connector.SMALL_PLUG,
                true,
                Face.LEFT,
                new Vec(0, 5, 2),
                Port.Use.UNUSED,
                Optional.empty(),
                List.of());
    }

    /** A cable with a small plug at each end. */
    public static Part cable(String id, double mm, boolean flat, double wide, double thick) {
        Facet.Joins joins = new Facet.Joins(
                Set.of(Signal.USB_480),
                1,
                exact(mm),
                flat,
                Optional.of(wide),
                flat ? Optional.of(thick) : Optional.empty(),
                Optional.empty());
        Body block = Body.block(exact(10), exact(10), exact(4));
        return part(id, Family.CABLE, 10, 10, 4, 5, joins)
                .withBody(new Body(
                        block.widthMm(),
                        block.depthMm(),
                        block.heightMm(),
                        List.of(),
                        List.of(),
                        List.of(plug("a"), plug("b")),
                        Optional.empty()))
                .standing(Part.Standing.TO_BUY, Purchase.NONE);
    }
}
