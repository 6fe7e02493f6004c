package boldsatchel.format;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Cylinder;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Prism;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Posture;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** Round things, outlines, joints and postures go into a file and come back, and what is wrong in them is told. */
public class SolidsInFilesTest {

    private static final List<Solid> SOLIDS = List.of(
            new Box(0, 0, 0, 20, 10, 5),
            new Cylinder(Axis.X, new Box(0, 0, 5, 20, 10, 10)),
            new Prism(Axis.Z, List.of(new Flat(0, 0), new Flat(20, 0), new Flat(20, 4), new Flat(6, 10)), 15, 3));

    private static Build build() {
        Part part = Samples.part("thing", Family.MECHANICS, 20, 10, 18, 40);
        Body b = part.body();
        Body body = new Body(b.widthMm(), b.depthMm(), b.heightMm(), SOLIDS, List.of(), List.of(), Optional.empty());
        Joint slide = new Joint(
                "drawer",
                "Drawer",
                "base",
                "drawer",
                new Vec(2, 3, 4),
                Vec.ZERO,
                Orientation.AS_DRAWN,
                new Joint.Sliding(new Vec(0, -1, 0), 40, Samples.exact(3)));
        Joint cover = new Joint(
                "cover",
                "Cover",
                "base",
                "cover",
                new Vec(0, 0, 50),
                Vec.ZERO,
                Orientation.AS_DRAWN,
                new Joint.Held(Joint.Held.By.MAGNETS, 6));
        Casing casing = Casing.of(
                        List.of(
                                Samples.tray("base", 100, 80, 50, Samples.exact(2), Material.PLASTIC, true),
                                Samples.tray("drawer", 60, 40, 20, Samples.exact(1), Material.PLASTIC, true),
                                Samples.tray("cover", 100, 80, 5, Samples.exact(2), Material.PLASTIC, true)),
                        Samples.exact(0))
                .withJoint(slide)
                .withJoint(cover)
                .withPostures(List.of(
                        Posture.CLOSED,
                        new Posture(
                                "in two hands",
                                Posture.Held.HANDS,
                                true,
                                List.of(new Posture.Setting("drawer", 12.5)))));
        return Build.empty("solids")
                .with(new Parts(List.of(part.withBody(body))))
                .with(casing);
    }

    private static String text() {
        return BuildFormat.write(new BuildFormat.Document(build(), Extras.NONE));
    }

    private static FormatException.Problem problem(String json) {
        try {
            BuildFormat.read(json);
        } catch (FormatException e) {
            return e.problems().getFirst();
        }
        throw new AssertionError("it was read");
    }

    @Test
    public void allOfItComesBackEqual() throws FormatException {
        assertThat(BuildFormat.read(text()).build()).isEqualTo(build());
        assertThat(BuildFormat.write(BuildFormat.read(text()))).isEqualTo(text());
        assertThat(text())
                .contains("\"is\": \"cylinder\"", "\"is\": \"prism\"", "\"is\": \"sliding\"", "\"is\": \"held\"");
    }

    /** Only what can be something else says what it is: a free room's box is a box. */
    @Test
    public void aPlainBoxDoesNotSayWhatItIs() {
        String demo = BuildFormat.write(new BuildFormat.Document(
                boldsatchel.shelf.Library.demo("cave-survey").orElseThrow(), Extras.NONE));
        int zone = demo.indexOf("\"box\": {");
        assertThat(zone).isPositive();
        assertThat(demo.substring(zone, demo.indexOf('}', zone))).doesNotContain("\"is\"");
    }

    @Test
    public void whatIsLeftOutIsFilledIn() throws FormatException {
        String less = text().replaceFirst("\"along\": \"x\",\\s*", "")
                .replaceFirst("\"travelMm\": 40.0,\\s*", "")
                .replaceFirst("\"used\": true,\\s*", "");
        Build read = BuildFormat.read(less).build();
        assertThat(read.parts().list().getFirst().body().solids().get(1))
                .isEqualTo(new Cylinder(Axis.Z, new Box(0, 0, 5, 20, 10, 10)));
        assertThat(read.casing().joint("drawer").orElseThrow().way().most()).isEqualTo(50);
        assertThat(read.casing().inUse().name())
                .as("the last, where none says so")
                .isEqualTo("in two hands");
    }

    @Test
    public void whatIsWrongIsToldWithItsPlace() {
        assertThat(problem(text().replaceFirst("\"is\": \"prism\"", "\"is\": \"wedge\""))
                        .field())
                .startsWith("build.parts[0].body.solids[2]");
        assertThat(problem(text().replaceFirst("\"is\": \"sliding\"", "\"is\": \"rolling\""))
                        .field())
                .startsWith("build.casing.joints[0].way");
        assertThat(problem(text().replaceFirst("\"held\": \"hands\"", "\"held\": \"tongs\""))
                        .message())
                .contains("hands");
        FormatException.Problem two = problem(text().replaceFirst("\"carries\": \"cover\"", "\"carries\": \"drawer\""));
        assertThat(two.field()).isEqualTo("build.casing.joints[1].carries");
        assertThat(two.message()).contains("hangs on one joint");
        assertThat(problem(text().replaceFirst(
                                        "\"id\": \"cover\",\\s*\"name\": \"Cover\"",
                                        "\"id\": \"drawer\", \"name\": \"Cover\""))
                        .message())
                .contains("drawer");
    }

    /** An outline of two corners, or with all in one line, is refused in words. */
    @Test
    public void anOutlineThatIsNoneIsRefused() {
        String one = text().replaceFirst("\"outline\": \\[[^\\]]*\\]", "\"outline\": [ {\"across\": 1, \"up\": 1} ]");
        assertThat(one).isNotEqualTo(text());
        assertThat(problem(one).message()).contains("outline", "corners");
        String line = text().replaceFirst(
                        "\"outline\": \\[[^\\]]*\\]",
                        "\"outline\": [ {\"across\": 0, \"up\": 0}, {\"across\": 1, \"up\": 1}, {\"across\": 2, \"up\": 2} ]");
        assertThat(problem(line).message()).contains("outline");
    }
}
