package boldsatchel.format;

import boldsatchel.geometry.Flat;
import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Outlines of SVG (W3C, Scalable Vector Graphics 1.1): paths, rectangles, circles, ellipses, lines and polygons, where their groups put them.
 * What has no unit is in pixels of 1/96 inch (CSS), unless the drawing says how large it is. What is only defined, clipped by or hidden is no
 * outline; what is used again by its name is not looked at.
 */
final class Svg {

    private static final double PIXEL_MM = 25.4 / 96;
    private static final int DEEPEST = 90;
    /** A curve of the third degree is cut into so many chords. */
    private static final int CURVE = 24;

    private static final Map<String, Double> UNITS =
            Map.of("", PIXEL_MM, "px", PIXEL_MM, "mm", 1.0, "cm", 10.0, "in", 25.4, "pt", 25.4 / 72, "pc", 25.4 / 6);

    private static final Set<String> UNSEEN =
            Set.of("defs", "symbol", "clipPath", "mask", "pattern", "marker", "metadata", "title", "desc", "style");

    private static final Pattern LENGTH = Pattern.compile("\\s*([-+]?[0-9.]+(?:[eE][-+]?[0-9]+)?)\\s*([a-zA-Z%]*)\\s*");
    private static final Pattern NUMBER = Pattern.compile("[-+]?(?:[0-9]+\\.?[0-9]*|\\.[0-9]+)(?:[eE][-+]?[0-9]+)?");
    private static final Pattern STEP = Pattern.compile("([a-zA-Z]+)\\s*\\(([^)]*)\\)");

    /** From a group's coordinates to the drawing's, in mm: x to a·x + c·y + e, y to b·x + d·y + f. */
    private record Placing(double a, double b, double c, double d, double e, double f) {
        static final Placing NONE = new Placing(1, 0, 0, 1, 0, 0);

        Placing then(Placing o) {
            return new Placing(
                    a * o.a + c * o.b,
                    b * o.a + d * o.b,
                    a * o.c + c * o.d,
                    b * o.c + d * o.d,
                    a * o.e + c * o.f + e,
                    b * o.e + d * o.f + f);
        }

        Flat of(double x, double y) {
            return new Flat(a * x + c * y + e, b * x + d * y + f);
        }

        /** How much larger things get. */
        double scale() {
            return Math.sqrt(Math.abs(a * d - b * c));
        }

        /** Whether circles stay round. */
        boolean isRound() {
            double small = 1e-6 * (a * a + b * b + c * c + d * d);
            return Math.abs(a * c + b * d) < small && Math.abs(a * a + b * b - c * c - d * d) < small;
        }
    }

    private final Lines lines = new Lines();
    private final XMLStreamReader xml;
    private final Deque<Placing> groups = new ArrayDeque<>();

    private Svg(XMLStreamReader xml) {
        this.xml = xml;
    }

    static Drawn read(byte[] bytes) throws FormatException {
        XMLInputFactory factory = XMLInputFactory.newInstance();
        // A drawing asks for nothing from outside.
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        try {
            return new Svg(factory.createXMLStreamReader(new ByteArrayInputStream(bytes))).drawn();
        } catch (XMLStreamException e) {
            int line = e.getLocation() == null ? 0 : Math.max(0, e.getLocation().getLineNumber());
            throw DrawnFile.wrong(line, "it is no SVG that can be read: its tags do not fit together here");
        }
    }

    private Drawn drawn() throws XMLStreamException, FormatException {
        int unseen = 0;
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                if (groups.size() + unseen > DEEPEST) {
                    throw wrong("its groups are nested deeper than " + DEEPEST + "; take the outline alone");
                }
                if (unseen > 0 || UNSEEN.contains(xml.getLocalName()) || isHidden()) {
                    unseen++;
                } else {
                    start(xml.getLocalName());
                    lines.checkCount(xml.getLocation().getLineNumber());
                }
            } else if (event == XMLStreamConstants.END_ELEMENT) {
                if (unseen > 0) {
                    unseen--;
                } else {
                    groups.pop();
                }
            }
        }
        return lines.drawn();
    }

    private boolean isHidden() {
        String style = text("style").replace(" ", "");
        return text("display").equals("none")
                || style.contains("display:none")
                || text("visibility").equals("hidden");
    }

    private void start(String name) throws FormatException {
        if (groups.isEmpty() && !name.equals("svg")) {
            throw wrong("it begins with <" + DrawnFile.cut(name) + ">, where an SVG begins with <svg>");
        }
        Placing within = groups.isEmpty() ? Placing.NONE : groups.peek();
        Placing placing = within.then(groups.isEmpty() ? page() : transform(text("transform")));
        groups.push(placing);
        switch (name) {
            case "path" -> new Path(placing, text("d")).draw();
            case "rect" -> rectangle(placing);
            case "circle" -> ellipse(placing, number("r"), number("r"));
            case "ellipse" -> ellipse(placing, number("rx"), number("ry"));
            case "line" ->
                lines.open(List.of(placing.of(number("x1"), number("y1")), placing.of(number("x2"), number("y2"))));
            case "polyline" -> points(placing, false);
            case "polygon" -> points(placing, true);
            default -> {
                // Groups, texts and pictures draw no line.
            }
        }
    }

    /** Upwards is up in a plan, and downwards in a file. */
    private Placing page() throws FormatException {
        double[] box = numbers(text("viewBox"));
        Optional<Double> wide = length("width");
        Optional<Double> high = length("height");
        if (box.length != 4 || !(box[2] > 0) || !(box[3] > 0)) {
            return new Placing(PIXEL_MM, 0, 0, -PIXEL_MM, 0, 0);
        }
        double x = wide.map(w -> w / box[2]).orElse(PIXEL_MM);
        double y = high.map(h -> h / box[3]).orElse(x);
        x = wide.isPresent() ? x : y;
        // A drawing keeps its proportions in whatever page it is put on.
        double scale = Math.min(x, y);
        if (!(scale > 0)) {
            throw wrong("its page has no size");
        }
        return new Placing(scale, 0, 0, -scale, -box[0] * scale, box[1] * scale);
    }

    /** A length of the page, mm; nothing where it is not said, or is a share of something. */
    private Optional<Double> length(String name) throws FormatException {
        Matcher matcher = LENGTH.matcher(text(name));
        if (!matcher.matches() || !UNITS.containsKey(matcher.group(2))) {
            return Optional.empty();
        }
        return Optional.of(finite(matcher.group(1)) * UNITS.getOrDefault(matcher.group(2), PIXEL_MM));
    }

    private Placing transform(String text) throws FormatException {
        Placing all = Placing.NONE;
        Matcher matcher = STEP.matcher(text);
        while (matcher.find()) {
            double[] n = numbers(matcher.group(2));
            all = all.then(step(matcher.group(1), n));
        }
        return all;
    }

    private Placing step(String name, double[] n) throws FormatException {
        if (n.length == 0) {
            throw wrong("“" + DrawnFile.cut(name) + "” of a transform lacks its numbers");
        }
        double second = n.length > 1 ? n[1] : 0;
        return switch (name) {
            case "translate" -> new Placing(1, 0, 0, 1, n[0], second);
            case "scale" -> new Placing(n[0], 0, 0, n.length > 1 ? second : n[0], 0, 0);
            case "rotate" -> {
                double angle = Math.toRadians(n[0]);
                Placing turn = new Placing(Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), 0, 0);
                double x = n.length > 2 ? n[1] : 0;
                double y = n.length > 2 ? n[2] : 0;
                yield new Placing(1, 0, 0, 1, x, y).then(turn).then(new Placing(1, 0, 0, 1, -x, -y));
            }
            case "skewX" -> new Placing(1, 0, Math.tan(Math.toRadians(n[0])), 1, 0, 0);
            case "skewY" -> new Placing(1, Math.tan(Math.toRadians(n[0])), 0, 1, 0, 0);
            case "matrix" -> {
                if (n.length < 6) {
                    throw wrong("a matrix has six numbers");
                }
                yield new Placing(n[0], n[1], n[2], n[3], n[4], n[5]);
            }
            default -> throw wrong("“" + DrawnFile.cut(name) + "” is no transform that is known");
        };
    }

    private void rectangle(Placing placing) throws FormatException {
        double x = number("x");
        double y = number("y");
        double w = number("width");
        double h = number("height");
        if (!(w > 0 && h > 0)) {
            return;
        }
        boolean one = text("ry").isEmpty();
        double rx = Math.clamp(text("rx").isEmpty() ? number("ry") : number("rx"), 0, w / 2);
        double ry = Math.clamp(one ? number("rx") : number("ry"), 0, h / 2);
        List<Flat> points = new ArrayList<>();
        double[][] corners = {
            {x + w - rx, y + ry, -90}, {x + w - rx, y + h - ry, 0}, {x + rx, y + h - ry, 90}, {x + rx, y + ry, 180}
        };
        for (double[] corner : corners) {
            points.addAll(
                    rx > 0 && ry > 0
                            ? arc(placing, corner[0], corner[1], rx, ry, 0, Math.toRadians(corner[2]), Math.PI / 2)
                            : List.of(placing.of(
                                    corner[0] + (corner[2] <= 0 ? rx : -rx),
                                    corner[1] + (corner[2] < 0 || corner[2] > 90 ? -ry : ry))));
        }
        lines.closed(points);
    }

    private void ellipse(Placing placing, double rx, double ry) throws FormatException {
        double x = number("cx");
        double y = number("cy");
        if (!(rx > 0 && ry > 0)) {
            return;
        }
        if (rx == ry && placing.isRound()) {
            lines.circle(placing.of(x, y), rx * placing.scale());
        } else {
            List<Flat> ring = arc(placing, x, y, rx, ry, 0, 0, 2 * Math.PI);
            lines.closed(ring.subList(0, ring.size() - 1));
        }
    }

    /** Points of an arc of an ellipse, both ends among them. */
    private static List<Flat> arc(
            Placing placing, double x, double y, double rx, double ry, double tilt, double from, double turn) {
        int steps = Lines.chords(Math.max(rx, ry) * placing.scale(), turn);
        List<Flat> points = new ArrayList<>(steps + 1);
        for (int i = 0; i <= steps; i++) {
            double angle = from + turn * i / steps;
            double across = rx * Math.cos(angle);
            double up = ry * Math.sin(angle);
            points.add(placing.of(
                    x + across * Math.cos(tilt) - up * Math.sin(tilt),
                    y + across * Math.sin(tilt) + up * Math.cos(tilt)));
        }
        return points;
    }

    private void points(Placing placing, boolean closed) throws FormatException {
        double[] n = numbers(text("points"));
        List<Flat> points = new ArrayList<>(n.length / 2);
        for (int i = 0; i + 1 < n.length; i += 2) {
            points.add(placing.of(n[i], n[i + 1]));
        }
        add(points, closed);
    }

    private void add(List<Flat> points, boolean closed) {
        if (points.size() > 1) {
            boolean meets = points.getFirst().equals(points.getLast());
            if (closed || meets) {
                lines.closed(meets ? points.subList(0, points.size() - 1) : points);
            } else {
                lines.open(points);
            }
        }
    }

    private String text(String name) {
        String value = xml.getAttributeValue(null, name);
        return value == null ? "" : value.strip();
    }

    private double number(String name) throws FormatException {
        String text = text(name);
        if (text.isEmpty()) {
            return 0;
        }
        Matcher matcher = LENGTH.matcher(text);
        if (!matcher.matches() || !UNITS.containsKey(matcher.group(2))) {
            throw wrong(name + " is “" + DrawnFile.cut(text) + "”, and should be a number");
        }
        String unit = matcher.group(2);
        return finite(matcher.group(1)) * (unit.isEmpty() ? 1 : UNITS.getOrDefault(unit, PIXEL_MM) / PIXEL_MM);
    }

    private double[] numbers(String text) throws FormatException {
        Matcher matcher = NUMBER.matcher(text);
        List<Double> all = new ArrayList<>();
        while (matcher.find()) {
            all.add(finite(matcher.group()));
        }
        return all.stream().mapToDouble(d -> d).toArray();
    }

    private double finite(String text) throws FormatException {
        try {
            double value = Double.parseDouble(text);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Told below.
        }
        throw wrong("“" + DrawnFile.cut(text) + "” should be a number");
    }

    private FormatException wrong(String message) {
        return DrawnFile.wrong(xml.getLocation().getLineNumber(), message);
    }

    /** The commands of one path. */
    private final class Path {
        private final Placing placing;
        private final String text;
        private int at;
        private double x;
        private double y;
        private double startX;
        private double startY;
        /** The last control point, that a smooth curve goes on from. */
        private double controlX;

        private double controlY;
        private char last = 'M';
        private List<Flat> points = new ArrayList<>();

        Path(Placing placing, String text) {
            this.placing = placing;
            this.text = text;
        }

        void draw() throws FormatException {
            char command = ' ';
            while (skip() < text.length()) {
                char next = text.charAt(at);
                if (Character.isLetter(next)) {
                    command = next;
                    at++;
                } else if (command == ' ' || Character.toUpperCase(command) == 'Z') {
                    throw wrong("a path goes on with “" + DrawnFile.cut(text.substring(at))
                            + "”, where a command is wanted");
                }
                one(Character.toUpperCase(command), Character.isLowerCase(command));
                last = Character.toUpperCase(command);
                // What follows a move without a command is a line.
                command = command == 'M' ? 'L' : command == 'm' ? 'l' : command;
            }
            add(points, false);
        }

        private void one(char command, boolean relative) throws FormatException {
            double fromX = relative ? x : 0;
            double fromY = relative ? y : 0;
            switch (command) {
                case 'M' -> {
                    add(points, false);
                    points = new ArrayList<>();
                    x = fromX + next();
                    y = fromY + next();
                    startX = x;
                    startY = y;
                    points.add(placing.of(x, y));
                }
                case 'L' -> line(fromX + next(), fromY + next());
                case 'H' -> line(fromX + next(), y);
                case 'V' -> line(x, fromY + next());
                case 'C' ->
                    cubic(
                            fromX + next(),
                            fromY + next(),
                            fromX + next(),
                            fromY + next(),
                            fromX + next(),
                            fromY + next());
                case 'S' -> {
                    boolean smooth = last == 'C' || last == 'S';
                    double x1 = smooth ? 2 * x - controlX : x;
                    double y1 = smooth ? 2 * y - controlY : y;
                    cubic(x1, y1, fromX + next(), fromY + next(), fromX + next(), fromY + next());
                }
                case 'Q' -> quadratic(fromX + next(), fromY + next(), fromX + next(), fromY + next());
                case 'T' -> {
                    boolean smooth = last == 'Q' || last == 'T';
                    quadratic(
                            smooth ? 2 * x - controlX : x,
                            smooth ? 2 * y - controlY : y,
                            fromX + next(),
                            fromY + next());
                }
                case 'A' -> elliptic(next(), next(), next(), flag(), flag(), fromX + next(), fromY + next());
                case 'Z' -> {
                    add(points, true);
                    points = new ArrayList<>();
                    x = startX;
                    y = startY;
                    points.add(placing.of(x, y));
                }
                default -> throw wrong("“" + command + "” is no command of a path");
            }
        }

        private void line(double toX, double toY) {
            x = toX;
            y = toY;
            points.add(placing.of(x, y));
        }

        private void quadratic(double cx, double cy, double toX, double toY) {
            cubic(
                    x + (cx - x) * 2 / 3,
                    y + (cy - y) * 2 / 3,
                    toX + (cx - toX) * 2 / 3,
                    toY + (cy - toY) * 2 / 3,
                    toX,
                    toY);
            controlX = cx;
            controlY = cy;
        }

        private void cubic(double x1, double y1, double x2, double y2, double toX, double toY) {
            for (int i = 1; i <= CURVE; i++) {
                double t = (double) i / CURVE;
                double u = 1 - t;
                double p = u * u * u;
                double q = 3 * u * u * t;
                double r = 3 * u * t * t;
                double s = t * t * t;
                points.add(placing.of(p * x + q * x1 + r * x2 + s * toX, p * y + q * y1 + r * y2 + s * toY));
            }
            controlX = x2;
            controlY = y2;
            x = toX;
            y = toY;
        }

        /** An arc from where the pen is, by its ends (SVG 1.1, appendix F.6). */
        private void elliptic(
                double wide, double high, double tiltDeg, boolean large, boolean sweep, double toX, double toY) {
            double rx = Math.abs(wide);
            double ry = Math.abs(high);
            if (rx == 0 || ry == 0 || (x == toX && y == toY)) {
                line(toX, toY);
                return;
            }
            double tilt = Math.toRadians(tiltDeg);
            double cos = Math.cos(tilt);
            double sin = Math.sin(tilt);
            double px = cos * (x - toX) / 2 + sin * (y - toY) / 2;
            double py = -sin * (x - toX) / 2 + cos * (y - toY) / 2;
            double over = px * px / (rx * rx) + py * py / (ry * ry);
            if (over > 1) {
                rx *= Math.sqrt(over);
                ry *= Math.sqrt(over);
            }
            double below = rx * rx * py * py + ry * ry * px * px;
            double times = Math.sqrt(Math.max(0, (rx * rx * ry * ry - below) / below)) * (large == sweep ? -1 : 1);
            double cx = times * rx * py / ry;
            double cy = -times * ry * px / rx;
            double from = Math.atan2((py - cy) / ry, (px - cx) / rx);
            double to = Math.atan2((-py - cy) / ry, (-px - cx) / rx);
            double turn = to - from;
            turn += sweep && turn < 0 ? 2 * Math.PI : !sweep && turn > 0 ? -2 * Math.PI : 0;
            List<Flat> arc = arc(
                    placing,
                    cos * cx - sin * cy + (x + toX) / 2,
                    sin * cx + cos * cy + (y + toY) / 2,
                    rx,
                    ry,
                    tilt,
                    from,
                    turn);
            points.addAll(arc.subList(1, arc.size() - 1));
            line(toX, toY);
        }

        private int skip() {
            while (at < text.length() && (Character.isWhitespace(text.charAt(at)) || text.charAt(at) == ',')) {
                at++;
            }
            return at;
        }

        private double next() throws FormatException {
            skip();
            Matcher matcher = NUMBER.matcher(text).region(at, text.length());
            if (!matcher.lookingAt()) {
                throw wrong(
                        at >= text.length()
                                ? "a path ends where a number is wanted"
                                : "a path has “" + DrawnFile.cut(text.substring(at)) + "” where a number is wanted");
            }
            at = matcher.end();
            return finite(matcher.group());
        }

        /** One figure, 0 or 1, that may stand without a gap before the next. */
        private boolean flag() throws FormatException {
            skip();
            if (at < text.length() && (text.charAt(at) == '0' || text.charAt(at) == '1')) {
                return text.charAt(at++) == '1';
            }
            throw wrong("an arc of a path wants 0 or 1 here: “"
                    + DrawnFile.cut(text.substring(Math.min(at, text.length()))) + "”");
        }
    }
}
