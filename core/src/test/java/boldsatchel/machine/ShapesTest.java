package boldsatchel.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;

public class ShapesTest {

    private static List<Orientation> all() {
        List<Orientation> all = new ArrayList<>();
        for (Face up : Face.values()) {
            for (int turns = 0; turns < 4; turns++) {
                all.add(new Orientation(up, turns));
            }
        }
        return all;
    }

    @Test
    public void thereAre24DifferentOrientations() {
        Set<List<Vec>> seen = new HashSet<>();
        for (Orientation o : all()) {
            seen.add(List.of(o.turn(new Vec(1, 2, 3)), o.turn(new Vec(0, 0, 1))));
        }
        assertThat(seen).hasSize(24);
    }

    @Test
    public void turningKeepsLengthsAndHandedness() {
        for (Orientation o : all()) {
            Vec x = o.turn(new Vec(1, 0, 0));
            Vec y = o.turn(new Vec(0, 1, 0));
            Vec z = o.turn(new Vec(0, 0, 1));
            double determinant = x.x() * (y.y() * z.z() - y.z() * z.y())
                    - x.y() * (y.x() * z.z() - y.z() * z.x())
                    + x.z() * (y.x() * z.y() - y.y() * z.x());
            assertThat(determinant).as(o.words()).isCloseTo(1, within(1e-12));
        }
    }

    @Test
    public void theNamedFaceLooksUp() {
        for (Orientation o : all()) {
            assertThat(o.turn(o.up())).isEqualTo(Face.TOP);
        }
    }

    @Test
    public void fourQuarterTurnsAndSixTumblesComeHome() {
        Orientation o = Orientation.AS_DRAWN;
        assertThat(o.turned().turned().turned().turned()).isEqualTo(o);
        Orientation tumbled = o;
        for (int i = 0; i < 6; i++) {
            tumbled = tumbled.tumbled();
        }
        assertThat(tumbled).isEqualTo(o);
    }

    @Test
    public void aPlacedBoxKeepsItsVolumeAndStartsWhereItIsPut() {
        Box bounds = new Box(0, 0, 0, 30, 20, 10);
        for (Orientation o : all()) {
            Placement at = new Placement("p", "s", new Vec(5, 6, 7), o, Set.of());
            Box placed = at.place(bounds, bounds);
            assertThat(placed.lowCorner()).as(o.words()).isEqualTo(new Vec(5, 6, 7));
            assertThat(placed.dx() * placed.dy() * placed.dz()).isCloseTo(6000, within(1e-9));
        }
    }

    @Test
    public void aSolidStaysInsideItsBoundsInEveryOrientation() {
        Box bounds = new Box(0, 0, 0, 30, 20, 10);
        Box solid = new Box(25, 1, 2, 4, 3, 2);
        for (Orientation o : all()) {
            Placement at = new Placement("p", "s", new Vec(0, 0, 0), o, Set.of());
            Box outer = at.place(bounds, bounds);
            Box inner = at.place(solid, bounds);
            for (int axis = 0; axis < 3; axis++) {
                assertThat(inner.low(axis)).isGreaterThanOrEqualTo(outer.low(axis));
                assertThat(inner.high(axis)).isLessThanOrEqualTo(outer.high(axis));
            }
        }
    }

    @Test
    public void facesKnowTheirAxisAndSide() {
        for (Face face : Face.values()) {
            assertThat(Face.of(face.axis(), face.sign())).isEqualTo(face);
        }
        Box box = new Box(1, 2, 3, 10, 20, 30);
        assertThat(box.end(Face.LEFT)).isEqualTo(1);
        assertThat(box.end(Face.TOP)).isEqualTo(33);
        assertThat(box.area(Face.FRONT)).isEqualTo(300);
    }

    @Test
    public void gapsAlongAnAxisAreNegativeWhereBoxesOverlap() {
        Box a = new Box(0, 0, 0, 10, 10, 10);
        assertThat(a.gapAlong(0, a.moved(new Vec(12, 0, 0)))).isEqualTo(2);
        assertThat(a.gapAlong(0, a.moved(new Vec(-12, 0, 0)))).isEqualTo(2);
        assertThat(a.gapAlong(0, a.moved(new Vec(7, 0, 0)))).isEqualTo(-3);
    }

    @Test
    public void resizingABodyKeepsItsProportions() {
        Body body = new Body(
                Figure.measured(100),
                Figure.measured(50),
                Figure.measured(20),
                List.of(new Box(10, 10, 0, 50, 20, 20)),
                List.of(new Zone(Zone.Kind.AIR, new Box(0, 0, 20, 100, 50, 5))),
                List.of(new Port("HDMI", Connector.HDMI, Face.BACK, new Vec(50, 50, 10), Port.Use.OUTSIDE)),
                Optional.of(new Vec(50, 25, 10)));
        Body wide = body.resized(Figure.measured(200), body.depthMm(), body.heightMm());
        assertThat(wide.solids().getFirst()).isEqualTo(new Box(20, 10, 0, 100, 20, 20));
        assertThat(wide.ports().getFirst().at()).isEqualTo(new Vec(100, 50, 10));
        assertThat(wide.centreOfMass()).contains(new Vec(100, 25, 10));
        assertThat(wide.zones().getFirst().box().dx()).isEqualTo(200);
    }

    @Test
    public void plugRoomStandsInFrontOfTheSocketOnEveryFace() {
        for (Face face : Face.values()) {
            Port port = new Port("p", Connector.USB_C, face, new Vec(50, 50, 50), Port.Use.INSIDE_STRAIGHT);
            Box room = port.plugRoom();
            assertThat(room.size(face.axis())).isEqualTo(32);
            double near = face.sign() > 0 ? room.low(face.axis()) : room.high(face.axis());
            assertThat(near).as(face.words()).isEqualTo(50);
            assertThat(port.withUse(Port.Use.UNUSED).plugRoom().size(face.axis()))
                    .isZero();
            assertThat(port.withUse(Port.Use.INSIDE_ANGLED).plugRoom().size(face.axis()))
                    .isEqualTo(15);
        }
    }

    @Test
    public void aLidClosesOntoItsBaseAndOpensFlatBehindIt() {
        Joint hinge = Joint.lid("base", "lid", new Vec(0, 100, 20), new Vec(0, 0, 8), 180, Samples.exact(1));
        assertThat(hinge.pose(180).apply(new Vec(5, 60, 8))).isEqualTo(new Vec(5, 160, 20));
        Vec closed = hinge.pose(0).apply(new Vec(5, 60, 0));
        assertThat(closed.y()).isCloseTo(40, within(1e-9));
        assertThat(closed.z()).isCloseTo(28, within(1e-9));
        Vec upright = hinge.pose(90).apply(new Vec(5, 60, 8));
        assertThat(upright.y()).isCloseTo(100, within(1e-9));
        assertThat(upright.z()).isCloseTo(80, within(1e-9));
        assertThat(new Box(0, 10, 0, 50, 20, 3).posed(hinge.closed())).isEqualTo(new Box(0, 70, 25, 50, 20, 3));
    }

    @Test
    public void whatCannotBeIsRefusedWithWords() {
        assertThatThrownBy(() -> Body.block(Figure.measured(0), Figure.measured(1), Figure.measured(1)))
                .hasMessageContaining("more than zero");
        assertThatThrownBy(() -> new Box(0, 0, 0, -1, 1, 1)).hasMessageContaining("zero or more");
        assertThatThrownBy(() -> new UseProfile("x", List.of())).hasMessageContaining("at least one step");
        assertThatThrownBy(() -> new UseProfile.Step("x", Mode.BUSY, 0, 1))
                .hasMessageContaining("more than zero minutes");
        assertThatThrownBy(() -> new UseProfile.Step("x", Mode.BUSY, 1, 1.5)).hasMessageContaining("0 to 1");
        Facet twice = new Facet.Radiates();
        assertThatThrownBy(() -> Samples.part("p", Family.RADIO, 1, 1, 1, 1, twice, twice))
                .hasMessageContaining("two facets");
    }

    @Test
    public void idsStayFreeAcrossPartsAndRungs() {
        Build build = Samples.chain(Samples.rung("a"), 25, Samples.block("a", 1, 1, 1));
        assertThat(build.freeId("a")).isEqualTo("a-2");
        assertThat(build.freeId("r-a")).isEqualTo("r-a-2");
        assertThat(build.freeId("b")).isEqualTo("b");
    }

    @Test
    public void setFacetReplacesTheOneOfItsKind() {
        Part part = Samples.part(
                "p", Family.BATTERY, 1, 1, 1, 1, new Facet.Thermal(60, Optional.empty(), Optional.empty()));
        Part changed = part.withFacet(new Facet.Thermal(50, Optional.empty(), Optional.empty()))
                .withFacet(new Facet.Radiates());
        assertThat(changed.facets()).hasSize(2);
        assertThat(changed.facet(Facet.Thermal.class).orElseThrow().limitC()).isEqualTo(50);
        assertThat(new Figure(1, 0, Basis.GUESS).sigma()).isZero();
    }
}
