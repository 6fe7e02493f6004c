package boldsatchel.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.geometry.Outlines;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Shapes from SVG: against areas and sizes worked by hand, however the same shape is written. */
public final class SvgTest {

    private static Drawn read(String body) throws FormatException {
        return DrawnFile.read("a.svg", body.getBytes(StandardCharsets.UTF_8));
    }

    /** A page of 100 × 60 mm, a unit of which is a millimetre. */
    private static String page(String body) {
        return "<?xml version=\"1.0\"?><!DOCTYPE svg PUBLIC \"-//W3C//DTD SVG 1.1//EN\" \"x.dtd\">"
                + "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"60mm\" viewBox=\"0 0 100 60\">"
                + body
                + "</svg>";
    }

    @DataProvider
    Object[][] shapes() {
        double rounded = 40 * 20 - (4 - Math.PI) * 25;
        return new Object[][] {
            {"<rect x=\"5\" y=\"5\" width=\"40\" height=\"20\"/>", 40.0, 20.0, 800.0},
            {"<rect x=\"5\" y=\"5\" width=\"40\" height=\"20\" rx=\"5\"/>", 40.0, 20.0, rounded},
            {"<polygon points=\"0,0 40,0 40,20 0,20\"/>", 40.0, 20.0, 800.0},
            {"<polyline points=\"0,0 40,0 40,20 0,20 0,0\"/>", 40.0, 20.0, 800.0},
            {"<path d=\"M0 0h40v20H0z\"/>", 40.0, 20.0, 800.0},
            {"<path d=\"m 1,1 40,0 0,20 -40,0 z\"/>", 40.0, 20.0, 800.0},
            {"<path d=\"M0,0L4e1,0 40,20\"/><path d=\"M0 0 L0 20 L40 20\"/>", 40.0, 20.0, 800.0},
            {
                "<line x1=\"0\" x2=\"40\"/><line x1=\"40\" x2=\"40\" y2=\"20\"/><path d=\"M40 20H0V0\"/>",
                40.0,
                20.0,
                800.0
            },
            {"<ellipse cx=\"30\" cy=\"30\" rx=\"20\" ry=\"10\"/>", 40.0, 20.0, Math.PI * 200},
            {"<circle cx=\"30\" cy=\"30\" r=\"10\"/>", 20.0, 20.0, Math.PI * 100},
            {"<path d=\"M10 20 A20 10 0 1 1 50 20 A20 10 0 0 1 10 20z\"/>", 40.0, 20.0, Math.PI * 200},
            {"<path d=\"M10 20a20 10 0 1140 0 20 10 0 01-40 0z\"/>", 40.0, 20.0, Math.PI * 200},
            {"<path d=\"M0 0H40A20 20 0 0 1 0 0z\"/>", 40.0, 20.0, Math.PI * 200},
            // Half a parabola above its chord holds two thirds of the box around.
            {"<path d=\"M0 0Q20 40 40 0z\"/>", 40.0, 20.0, 2.0 / 3 * 800},
            {"<path d=\"M0 0q10 20 20 0t20 0v-20H0z\"/>", 40.0, 30.0, 800.0},
            {
                "<g transform=\"translate(20 10)\"><g transform=\"scale(2)\"><rect width=\"20\" height=\"10\"/></g></g>",
                40.0,
                20.0,
                800.0
            },
            {"<rect width=\"20\" height=\"40\" transform=\"rotate(90 10 10)\"/>", 40.0, 20.0, 800.0},
            {"<rect width=\"40\" height=\"20\" transform=\"matrix(1 0 0 -1 3 4)\"/>", 40.0, 20.0, 800.0},
            {"<rect width=\"40\" height=\"20\" transform=\"skewX(45)\"/>", 60.0, 20.0, 800.0},
            {"<defs><rect width=\"90\" height=\"50\"/></defs><rect width=\"40\" height=\"20\"/>", 40.0, 20.0, 800.0},
            {
                "<g style=\"display: none\"><rect width=\"90\" height=\"50\"/></g><rect width=\"40\" height=\"20\"/>",
                40.0,
                20.0,
                800.0
            },
            {"<rect width=\"4cm\" height=\"20mm\"/>", 40 * 96 / 25.4, 20 * 96 / 25.4, 800 * Math.pow(96 / 25.4, 2)},
        };
    }

    @Test(dataProvider = "shapes")
    public void aShapeIsAsLargeAsItIsDrawn(String body, double wide, double deep, double area) throws FormatException {
        Drawn drawn = read(page(body));
        assertThat(drawn.widthMm()).isCloseTo(wide, within(0.06));
        assertThat(drawn.depthMm()).isCloseTo(deep, within(0.06));
        assertThat(Outlines.area(drawn.outline())).isCloseTo(area, within(0.01 * area));
        assertThat(drawn.heightMm()).isEmpty();
    }

    /** Four units of curve are a circle to some hundredths; smooth ones go on from the control before. */
    @Test
    public void curvesOfTheThirdDegreeAreFollowed() throws FormatException {
        double k = 20 * 0.5522847498;
        String circle = "<path d=\"M20 0c" + k + " 0 20 " + (20 - k) + " 20 20s" + (k - 20) + " 20 -20 20 -20 "
                + (k - 20) + " -20 -20 " + (20 - k) + " -20 20 -20z\"/>";
        Drawn drawn = read(page(circle));
        assertThat(drawn.widthMm()).isCloseTo(40, within(0.06));
        assertThat(Outlines.area(drawn.outline())).isCloseTo(Math.PI * 400, within(6.0));
    }

    /** A hole at the upper left of the drawing is at the left and at the back of the part: upwards in a file is to the back. */
    @Test
    public void holesAreWhereTheyAreSeen() throws FormatException {
        Drawn drawn = read(
                page("<rect x=\"10\" y=\"10\" width=\"60\" height=\"40\"/><circle cx=\"15\" cy=\"16\" r=\"1.6\"/>"));
        assertThat(drawn.bores()).singleElement().satisfies(b -> {
            assertThat(b.at().across()).isCloseTo(5, within(1e-9));
            assertThat(b.at().up()).isCloseTo(34, within(1e-9));
            assertThat(b.diameterMm()).isCloseTo(3.2, within(1e-9));
        });
    }

    @DataProvider
    Object[][] pages() {
        String rect = "><rect width=\"40\" height=\"20\"/></svg>";
        return new Object[][] {
            {"<svg" + rect, 40 * 25.4 / 96},
            {"<svg width=\"2in\" viewBox=\"0 0 40 20\"" + rect, 50.8},
            {"<svg height=\"1cm\" viewBox=\"0 0 40 20\"" + rect, 20.0},
            {"<svg width=\"100%\" height=\"100%\" viewBox=\"0 0 40 20\"" + rect, 40 * 25.4 / 96},
            {"<svg width=\"80mm\" height=\"20mm\" viewBox=\"0 0 40 20\"" + rect, 40.0},
        };
    }

    @Test(dataProvider = "pages")
    public void thePageSaysHowLargeAUnitIs(String svg, double wide) throws FormatException {
        assertThat(read(svg).widthMm()).isCloseTo(wide, within(1e-6));
    }

    @DataProvider
    Object[][] bad() {
        return new Object[][] {
            {"", "tags do not fit"},
            {"<svg><rect</svg>", "tags do not fit"},
            {"<html/>", "begins with <html>"},
            {page(""), "no closed line"},
            {page("<path d=\"M0 0L10\"/>"), "ends where a number is wanted"},
            {page("<path d=\"M0 0X10 10\"/>"), "no command of a path"},
            {page("<path d=\"M0 0h40v20z 5 5\"/>"), "a command is wanted"},
            {page("<path d=\"M0 0A5 5 0 2 0 9 9\"/>"), "wants 0 or 1"},
            {page("<rect width=\"wide\" height=\"3\"/>"), "width is “wide”"},
            {page("<rect width=\"1e400\" height=\"3\"/>"), "should be a number"},
            {page("<rect width=\"4\" height=\"3\" transform=\"bend(3)\"/>"), "no transform that is known"},
            {page("<polygon points=\"0,0 40,20 40,0 0,20\"/>"), "crosses itself"},
            {page("<g>".repeat(300) + "</g>".repeat(300)), "nested deeper"},
            {"<!DOCTYPE a [<!ENTITY e SYSTEM \"file:///etc/hostname\">]><svg>&e;</svg>", ""},
        };
    }

    @Test(dataProvider = "bad")
    public void whatIsWrongIsSaid(String svg, String words) {
        assertThatThrownBy(() -> read(svg)).isInstanceOf(FormatException.class).hasMessageContaining(words);
    }

    /** Whatever is cut off, doubled or replaced: a shape or words, and nothing hangs. */
    @Test
    public void brokenFilesAreRefusedInWords() {
        String whole = page(
                "<g transform=\"rotate(9)\"><path d=\"M0 0h40a5 5 0 0110 9c1 2 3 4 5 6s1 2 3 4q1 2 3 4t5 6z\"/></g>");
        Random random = new Random(3);
        for (int i = 0; i < 1500; i++) {
            StringBuilder text = new StringBuilder(whole);
            for (int n = random.nextInt(1, 4); n > 0; n--) {
                int at = random.nextInt(text.length());
                switch (random.nextInt(3)) {
                    case 0 -> text.deleteCharAt(at);
                    case 1 -> text.insert(at, (char) random.nextInt(32, 127));
                    default -> text.setLength(Math.max(20, at));
                }
            }
            try {
                assertThat(read(text.toString()).outline()).hasSizeGreaterThan(2);
            } catch (FormatException e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }
}
