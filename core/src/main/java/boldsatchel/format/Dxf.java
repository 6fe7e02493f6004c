package boldsatchel.format;

import boldsatchel.geometry.Flat;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * DXF as text: lines, arcs, circles and polylines with their bulges.
 */
final class Dxf {

    /** A file of bytes shows itself by here. */
    private static final int HEAD = 256;

    /** Units of $INSUNITS in mm. */
    private static final Map<Integer, Double> UNITS = Map.of(1, 25.4, 2, 304.8, 4, 1.0, 5, 10.0, 6, 1000.0);

    private final List<Pair> pairs;
    private double unit = 1;
    private final Lines lines = new Lines();

    /** A code, its value and the line that it stands in. */
    private record Pair(int code, String value, int line) {}

    private Dxf(List<Pair> pairs) {
        this.pairs = pairs;
    }

    static Drawn read(byte[] bytes) throws FormatException {
        List<String> lines =
                new String(bytes, StandardCharsets.ISO_8859_1).lines().toList();
        for (int i = 0; i < Math.min(bytes.length, HEAD); i++) {
            if (bytes[i] == 0) {
                throw DrawnFile.wrong(0, "it is no text: save it as text DXF");
            }
        }
        List<Pair> pairs = new ArrayList<>(lines.size() / 2);
        for (int i = 0; i + 1 < lines.size(); i += 2) {
            try {
                pairs.add(new Pair(
                        Integer.parseInt(lines.get(i).strip()), lines.get(i + 1).strip(), i + 2));
            } catch (NumberFormatException e) {
                throw DrawnFile.wrong(i + 1, "“" + DrawnFile.cut(lines.get(i)) + "” should be the number of a group");
            }
        }
        return new Dxf(pairs).drawn();
    }

    private Drawn drawn() throws FormatException {
        units();
        int at = 0;
        boolean entities = false;
        while (at < pairs.size()) {
            Pair pair = pairs.get(at);
            if (pair.code == 2 && at > 0 && pairs.get(at - 1).value.equals("SECTION")) {
                entities = pair.value.equals("ENTITIES");
            }
            at = entities && pair.code == 0 ? entity(at) : at + 1;
            lines.checkCount(pair.line);
        }
        return lines.drawn();
    }

    private void units() throws FormatException {
        for (int i = 0; i + 1 < pairs.size(); i++) {
            if (pairs.get(i).code == 9 && pairs.get(i).value.equals("$INSUNITS")) {
                unit = UNITS.getOrDefault((int) number(pairs.get(i + 1)), 1.0);
            }
        }
    }

    private static double number(Pair pair) throws FormatException {
        try {
            double value = Double.parseDouble(pair.value);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Told below.
        }
        throw DrawnFile.wrong(pair.line, "“" + DrawnFile.cut(pair.value) + "” should be a number");
    }

    /** Reads the thing that begins here, and tells where the next begins. */
    private int entity(int from) throws FormatException {
        int to = from + 1;
        while (to < pairs.size() && pairs.get(to).code != 0) {
            to++;
        }
        List<Pair> of = pairs.subList(from + 1, to);
        switch (pairs.get(from).value) {
            case "LINE" ->
                lines.open(List.of(
                        new Flat(value(of, 10, from), value(of, 20, from)),
                        new Flat(value(of, 11, from), value(of, 21, from))));
            case "CIRCLE" -> circle(of, from);
            case "ARC" -> arc(of, from);
            case "LWPOLYLINE" -> polyline(vertices(of), (int) either(of, 70, 0), from);
            case "POLYLINE" -> {
                return older(from, to, (int) either(of, 70, 0));
            }
            default -> {
                // Text, dimensions and the like are no outline.
            }
        }
        return to;
    }

    private double value(List<Pair> of, int code, int from) throws FormatException {
        for (Pair pair : of) {
            if (pair.code == code) {
                return number(pair) * unit;
            }
        }
        throw DrawnFile.wrong(pairs.get(from).line, "this " + pairs.get(from).value + " lacks its group " + code);
    }

    private static double either(List<Pair> of, int code, double otherwise) throws FormatException {
        for (Pair pair : of) {
            if (pair.code == code) {
                return number(pair);
            }
        }
        return otherwise;
    }

    private void circle(List<Pair> of, int from) throws FormatException {
        Flat middle = new Flat(value(of, 10, from), value(of, 20, from));
        double radius = value(of, 40, from);
        if (!(radius > 0)) {
            throw DrawnFile.wrong(pairs.get(from).line, "a circle has a radius of more than nothing");
        }
        lines.circle(middle, radius);
    }

    private void arc(List<Pair> of, int from) throws FormatException {
        double start = Math.toRadians(either(of, 50, 0));
        double end = Math.toRadians(either(of, 51, 360));
        double turn = end - start;
        while (turn <= 0) {
            turn += 2 * Math.PI;
        }
        lines.open(Lines.bend(
                new Flat(value(of, 10, from), value(of, 20, from)),
                value(of, 40, from),
                start,
                start + Math.min(turn, 2 * Math.PI)));
    }

    /** A corner and how its line to the next is bent: the tangent of a quarter of the angle that it turns. */
    private record Vertex(Flat at, double bulge) {}

    private List<Vertex> vertices(List<Pair> of) throws FormatException {
        List<Vertex> vertices = new ArrayList<>();
        double x = Double.NaN;
        for (Pair pair : of) {
            if (pair.code == 10) {
                x = number(pair) * unit;
            } else if (pair.code == 20) {
                vertices.add(new Vertex(new Flat(x, number(pair) * unit), 0));
            } else if (pair.code == 42 && !vertices.isEmpty()) {
                vertices.set(vertices.size() - 1, new Vertex(vertices.getLast().at, number(pair)));
            }
        }
        return vertices;
    }

    private void polyline(List<Vertex> vertices, int flags, int from) throws FormatException {
        if (vertices.size() < 2) {
            throw DrawnFile.wrong(pairs.get(from).line, "a polyline has two corners or more");
        }
        boolean isClosed = (flags & 1) != 0;
        List<Flat> points = new ArrayList<>();
        for (int i = 0; i < vertices.size(); i++) {
            points.add(vertices.get(i).at);
            boolean last = i == vertices.size() - 1;
            if (vertices.get(i).bulge != 0 && (!last || isClosed)) {
                points.addAll(between(vertices.get(i), vertices.get((i + 1) % vertices.size()).at));
            }
        }
        if (isClosed) {
            lines.closed(points);
        } else {
            lines.open(points);
        }
    }

    /** What a bulge puts between two corners. */
    private static List<Flat> between(Vertex from, Flat to) {
        double dx = to.across() - from.at.across();
        double dy = to.up() - from.at.up();
        double chord = Math.hypot(dx, dy);
        double angle = 4 * Math.atan(from.bulge);
        if (chord < Lines.SAME_MM / 10 || Math.abs(angle) < 1e-6) {
            return List.of();
        }
        double radius = chord / 2 / Math.sin(angle / 2);
        double off = radius * Math.cos(angle / 2);
        Flat middle = new Flat(
                (from.at.across() + to.across()) / 2 - dy / chord * off,
                (from.at.up() + to.up()) / 2 + dx / chord * off);
        double start = Math.atan2(from.at.up() - middle.up(), from.at.across() - middle.across());
        List<Flat> all = Lines.bend(middle, Math.abs(radius), start, start + angle);
        return all.subList(1, all.size() - 1);
    }

    /** A polyline of older files: its corners follow as things of their own. */
    private int older(int from, int to, int flags) throws FormatException {
        List<Vertex> vertices = new ArrayList<>();
        int at = to;
        while (at < pairs.size() && pairs.get(at).value.equals("VERTEX")) {
            int end = at + 1;
            while (end < pairs.size() && pairs.get(end).code != 0) {
                end++;
            }
            List<Pair> of = pairs.subList(at + 1, end);
            vertices.add(new Vertex(new Flat(value(of, 10, at), value(of, 20, at)), either(of, 42, 0)));
            at = end;
        }
        polyline(vertices, flags, from);
        return at;
    }
}
