package boldsatchel.book;

import boldsatchel.geometry.Mesh;
import boldsatchel.geometry.Vec;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Writes a mesh as STL, of bytes: corners of triangles in mm. */
final class StlWriter {

    private static final int HEADER = 80;
    private static final int TRIANGLE = 50;

    private StlWriter() {}

    static byte[] stl(Mesh mesh) {
        ByteBuffer out = ByteBuffer.allocate(
                        HEADER + Integer.BYTES + TRIANGLE * mesh.triangles().size())
                .order(ByteOrder.LITTLE_ENDIAN);
        // It must not begin with “solid”, which text does.
        out.put("mm, outside by the right hand".getBytes(StandardCharsets.US_ASCII));
        out.position(HEADER);
        out.putInt(mesh.triangles().size());
        for (Mesh.Triangle t : mesh.triangles()) {
            Vec a = mesh.corners().get(t.a());
            Vec b = mesh.corners().get(t.b());
            Vec c = mesh.corners().get(t.c());
            Vec across = b.minus(a).cross(c.minus(a));
            double length = across.length();
            put(out, length > 0 ? across.times(1 / length) : Vec.ZERO);
            put(out, a);
            put(out, b);
            put(out, c);
            out.putShort((short) 0);
        }
        return out.array();
    }

    private static void put(ByteBuffer out, Vec v) {
        out.putFloat((float) v.x()).putFloat((float) v.y()).putFloat((float) v.z());
    }
}
