package dev.lastcut.core.cut;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Envelope;

/** The plain-text note that goes with a cut to the shop. */
public final class ShopNote {
    private ShopNote() {}

    public static byte[] write(Manifest manifest, BoardGeometry geometry) {
        Board board = geometry.board();
        StringBuilder out = new StringBuilder();
        line(out, manifest.job() + ", cut " + manifest.number() + " of " + manifest.created());
        line(out, "For: " + manifest.sheet().name());
        line(out, "");
        if (!manifest.released()) {
            line(out, "NOT RELEASED: " + manifest.openStops().size() + " stop findings are open.");
            line(out, "");
        }
        Envelope e = geometry.boardArea().getEnvelopeInternal();
        if (!e.isNull()) {
            line(out, "Board: " + Length.text(e.getWidth()) + " x " + Length.text(e.getHeight()));
        }
        line(out, "Copper layers: " + board.copper().size());
        long slots = board.holes().stream().filter(Hole::isSlot).count();
        long plated = board.holes().stream().filter(Hole::plated).count();
        line(
                out,
                String.format(
                        Locale.ROOT,
                        "Holes: %d plated, %d unplated; %d of them slots",
                        plated,
                        board.holes().size() - plated,
                        slots));
        line(out, "");
        line(out, "Files (all in one coordinate system, millimetres, seen from the top):");
        for (Manifest.Entry f : manifest.files()) {
            line(out, String.format(Locale.ROOT, "  %-40s %s", f.path(), f.purpose()));
        }
        signOffs(manifest, out);
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void signOffs(Manifest manifest, StringBuilder out) {
        List<SignOff> signOffs = manifest.signOffs();
        if (signOffs.isEmpty()) {
            return;
        }
        line(out, "");
        line(out, "Known and accepted by the maker; please do not change:");
        for (SignOff s : signOffs) {
            manifest.findings().stream()
                    .filter(f -> f.id().equals(s.findingId()))
                    .findFirst()
                    .ifPresent(f -> line(out, "  " + f.message()));
            line(out, "    Reason: " + s.reason() + " (" + s.by() + ")");
        }
    }

    private static void line(StringBuilder out, String s) {
        out.append(s).append('\n');
    }
}
