package dev.lastcut.core.formats.solid;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/**
 * Writes a mesh as binary STL in millimetres: 80 bytes of title, the number of triangles, and fifty
 * bytes for each (layout as commonly published, from memory).
 */
public final class StlWriter {
    private static final int TITLE = 80;
    private static final int EACH = 50;

    private StlWriter() {}

    /**
     * @param title up to 80 characters; it must not begin with "solid", by which readers tell the
     *     format in text
     */
    public static byte[] write(String title, Mesh mesh) {
        ByteBuffer out =
                ByteBuffer.allocate(TITLE + 4 + EACH * mesh.triangles().size())
                        .order(ByteOrder.LITTLE_ENDIAN);
        byte[] words = title.getBytes(StandardCharsets.US_ASCII);
        out.put(words, 0, Math.min(TITLE, words.length));
        out.position(TITLE);
        out.putInt(mesh.triangles().size());
        for (double[] t : mesh.triangles()) {
            for (double n : normal(t)) {
                out.putFloat((float) n);
            }
            for (double nm : t) {
                out.putFloat((float) (nm / 1e6));
            }
            out.putShort((short) 0);
        }
        return out.array();
    }

    private static double[] normal(double[] t) {
        double ux = t[3] - t[0];
        double uy = t[4] - t[1];
        double uz = t[5] - t[2];
        double vx = t[6] - t[0];
        double vy = t[7] - t[1];
        double vz = t[8] - t[2];
        double x = uy * vz - uz * vy;
        double y = uz * vx - ux * vz;
        double z = ux * vy - uy * vx;
        double length = Math.sqrt(x * x + y * y + z * z);
        return length == 0 ? new double[3] : new double[] {x / length, y / length, z / length};
    }
}
