package boldsatchel.format;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Hole;
import boldsatchel.machine.ScrewThread;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Shapes of parts out of drawings and meshes, of known area; and what is wrong with them, told with its place. */
public final class DrawnFileTest {

    private static String dxf(String header, String... entities) {
        return ("0 SECTION 2 HEADER " + header + " 0 ENDSEC 0 SECTION 2 ENTITIES " + String.join(" ", entities)
                        + " 0 ENDSEC 0 EOF")
                .replaceAll(" +", " ");
    }

    private static Drawn read(String name, String text) throws FormatException {
        return DrawnFile.read(name, text.getBytes(StandardCharsets.ISO_8859_1));
    }

    private static Drawn drawing(String words) throws FormatException {
        return read("a.DXF", words.replace(' ', '\n'));
    }

    private static String line(double x, double y, double to, double up) {
        return "0 LINE 10 " + x + " 20 " + y + " 11 " + to + " 21 " + up;
    }

    private static final String BOARD = "0 LWPOLYLINE 90 4 70 1 10 5 20 5 10 85 20 5 10 85 20 61 10 5 20 61";

    @Test
    public void aBoardWithItsHolesIsRead() throws FormatException {
        Drawn drawn = drawing(dxf(
                "",
                BOARD,
                "0 CIRCLE 10 9 20 9 40 1.6",
                "0 CIRCLE 10 81 20 57 40 5",
                "0 CIRCLE 10 300 20 9 40 1.6",
                "0 TEXT 10 900 20 900 1 hello"));
        assertThat(drawn.widthMm()).isCloseTo(80, within(1e-9));
        assertThat(drawn.depthMm()).isCloseTo(56, within(1e-9));
        assertThat(drawn.bores()).hasSize(2);
        Body body = drawn.shaped(Body.block(exact(10), exact(10), exact(1.6)));
        assertThat(body.heightMm().value()).isEqualTo(1.6);
        assertThat(body.whole().getFirst().volume()).isCloseTo(80 * 56 * 1.6, within(1e-6));
        assertThat(body.holes())
                .as("one of 3.2 mm for M3; one of 10 mm is for no screw")
                .singleElement()
                .satisfies(h -> {
                    assertThat(h.thread()).isEqualTo(ScrewThread.M3);
                    assertThat(h.at().x()).isCloseTo(4, within(1e-9));
                });
    }

    /** Four lines in any order and direction, and quarter circles at the corners: area of a rounded rectangle. */
    @Test
    public void piecesAreJoinedWhereTheirEndsMeet() throws FormatException {
        Drawn drawn = drawing(dxf(
                "",
                line(10, 0, 90, 0),
                line(90, 50, 10, 50),
                line(0, 40, 0, 10),
                line(100, 10, 100, 40),
                "0 ARC 10 10 20 10 40 10 50 180 51 270",
                "0 ARC 10 90 20 10 40 10 50 270 51 0",
                "0 ARC 10 90 20 40 40 10 50 0 51 90",
                "0 ARC 10 10 20 40 40 10 50 90 51 180"));
        double area = 100 * 50 - (4 - Math.PI) * 100;
        assertThat(Outlines.area(drawn.outline())).isCloseTo(area, within(area * 1e-3));
        assertThat(drawn.widthMm()).isCloseTo(100, within(0.05));
    }

    /** A bulge of 1 is half a circle: a slot of 60 × 20. Older files write each corner as a thing of its own; inches are told. */
    @Test
    public void bulgesAndUnitsAreRead() throws FormatException {
        double area = 40 * 20 + Math.PI * 100;
        Drawn slot = drawing(dxf("", "0 LWPOLYLINE 70 1 10 10 20 0 10 50 20 0 42 1 10 50 20 20 10 10 20 20 42 1"));
        assertThat(Outlines.area(slot.outline())).isCloseTo(area, within(area * 2e-3));
        String old =
                "0 POLYLINE 66 1 70 1 0 VERTEX 10 10 20 0 0 VERTEX 10 50 20 0 42 1 0 VERTEX 10 50 20 20 0 VERTEX 10 10 20 20 42 1 0 SEQEND";
        assertThat(Outlines.area(drawing(dxf("", old)).outline())).isCloseTo(area, within(area * 2e-3));
        Drawn inches = drawing(dxf("9 $INSUNITS 70 1", "0 LWPOLYLINE 70 1 10 0 20 0 10 2 20 0 10 2 20 1 10 0 20 1"));
        assertThat(inches.widthMm()).isCloseTo(50.8, within(1e-9));
        assertThat(inches.depthMm()).isCloseTo(25.4, within(1e-9));
    }

    private static byte[] stl(float[]... corners) {
        ByteBuffer buffer = ByteBuffer.allocate(84 + corners.length / 3 * 50).order(ByteOrder.LITTLE_ENDIAN);
        buffer.putInt(80, corners.length / 3);
        for (int i = 0; i < corners.length; i++) {
            int at = 84 + i / 3 * 50 + 12 + i % 3 * 12;
            for (int k = 0; k < 3; k++) {
                buffer.putFloat(at + 4 * k, corners[i][k]);
            }
        }
        return buffer.array();
    }

    private static float[] at(double x, double y, double z) {
        return new float[] {(float) x, (float) y, (float) z};
    }

    /** A pyramid on a square base, as bytes, as text and as OBJ. */
    @Test
    public void meshesAreReadAsWhatBoundsThem() throws FormatException {
        byte[] bytes =
                stl(at(-10, -20, 5), at(30, -20, 5), at(30, 10, 5), at(-10, -20, 5), at(-10, 10, 5), at(0, 0, 25));
        StringBuilder text = new StringBuilder("solid it\n");
        StringBuilder obj = new StringBuilder("# a thing\n");
        for (String corner : new String[] {"-10 -20 5", "30 -20 5", "30 10 5", "-10 10 5", "0 0 25"}) {
            text.append("  vertex ").append(corner).append('\n');
            obj.append("v ").append(corner).append('\n').append("vn 0 0 1\n");
        }
        for (Drawn drawn : new Drawn[] {
            DrawnFile.read("x.stl", bytes), read("x.stl", text.toString()), read("x.obj", obj.toString())
        }) {
            assertThat(drawn.widthMm()).isCloseTo(40, within(1e-6));
            assertThat(drawn.depthMm()).isCloseTo(30, within(1e-6));
            assertThat(drawn.heightMm().orElseThrow()).isCloseTo(20, within(1e-6));
            assertThat(Outlines.area(drawn.outline())).isCloseTo(1200, within(1e-3));
        }
    }

    @DataProvider
    Object[][] wrongs() {
        return new Object[][] {
            {"a.dxf", dxf("", line(0, 0, 9, 0)).replace(' ', '\n'), "no closed line"},
            {"a.dxf", dxf("", "0 CIRCLE 10 1 20 1").replace(' ', '\n'), "lacks its group 40"},
            {"a.dxf", dxf("", "0 CIRCLE 10 one 20 1 40 3").replace(' ', '\n'), "“one” should be a number"},
            {"a.dxf", "here is\nno drawing", "line 1: “here is” should be the number of a group"},
            {
                "a.dxf",
                dxf("", "0 LWPOLYLINE 70 1 10 0 20 0 10 9 20 9 10 9 20 0 10 0 20 9")
                        .replace(' ', '\n'),
                "crosses itself"
            },
            {"a.dxf", dxf("", "0 CIRCLE 10 0 20 0 40 0.1").replace(' ', '\n'), "another unit"},
            {"a.stl", "solid x\nvertex 1 2\n", "line 2: “vertex” wants three numbers"},
            {"a.stl", "solid x\nvertex 1 2 zwei\n", "line 2"},
            {"a.stl", "solid x\n", "0 corners"},
            {"a.stl", "PK\u0003\u0004".repeat(40), "no STL"},
            {"a.obj", "v 1 2 NaN\n", "line 1: a corner is no number"},
            {"a.step", "", "ends in none of .dxf, .svg, .stl, .obj"},
        };
    }

    @Test(dataProvider = "wrongs")
    public void whatIsWrongIsToldWithItsPlace(String name, String text, String told) {
        assertThatThrownBy(() -> read(name, text))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining(told);
    }

    /** Files cut off, with bytes changed or doubled end in a shape or an error in words, never in anything else. */
    @Test
    public void damagedFilesAreReadOrRefused() {
        Random random = new Random(3);
        byte[] board = dxf("", BOARD, "0 ARC 10 0 20 0 40 5 50 0 51 90", line(0, 0, 9, 9))
                .replace(' ', '\n')
                .getBytes(StandardCharsets.ISO_8859_1);
        byte[] mesh = stl(at(0, 0, 0), at(30, 0, 0), at(30, 10, 0), at(0, 0, 9), at(0, 10, 0), at(0, 0, 25));
        for (int i = 0; i < 4000; i++) {
            byte[] bytes = (i % 2 == 0 ? board : mesh).clone();
            for (int n = 0; n < 1 + random.nextInt(6); n++) {
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
            }
            byte[] cut = Arrays.copyOf(bytes, random.nextInt(3) == 0 ? random.nextInt(bytes.length) : bytes.length);
            String name = i % 2 == 0 ? "a.dxf" : i % 4 == 1 ? "a.stl" : "a.obj";
            Throwable thrown =
                    catchThrowable(() -> DrawnFile.read(name, cut).shaped(Body.block(exact(9), exact(9), exact(2))));
            assertThat(thrown == null || thrown instanceof FormatException)
                    .as(() -> name + ": " + thrown)
                    .isTrue();
        }
    }

    @Test
    public void holesOfAMeshAreThoseThatWereKnown() throws FormatException {
        Body before = new Body(
                exact(40),
                exact(30),
                exact(20),
                List.of(),
                List.of(),
                List.of(),
                List.of(new Hole(ScrewThread.M3, false, Face.TOP, new Vec(4, 4, 20))),
                List.of(),
                Optional.empty());
        Drawn box = DrawnFile.read(
                "x.obj", "v 0 0 0\nv 80 0 0\nv 80 30 0\nv 0 30 10\n".getBytes(StandardCharsets.US_ASCII));
        assertThat(box.shaped(before).holes())
                .singleElement()
                .satisfies(h -> assertThat(h.at().x()).isCloseTo(8, within(1e-9)));
    }
}
