package dev.lastcut.demo;

import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.Map;

/** The checked-in packs, each opened once. */
final class DemoPacks {
    private static final Map<String, BoardGeometry> OPENED = new HashMap<>();

    private DemoPacks() {}

    static Pack pack(String name) throws IOException, UnusablePackException {
        try (InputStream in = DemoPacks.class.getResourceAsStream("/demo-packs/" + name + ".zip")) {
            return PackReader.fromZip(name + ".zip", in.readAllBytes());
        }
    }

    static synchronized BoardGeometry open(String name) throws IOException, UnusablePackException {
        BoardGeometry known = OPENED.get(name);
        if (known == null) {
            known = new BoardGeometry(Intake.open(pack(name)));
            OPENED.put(name, known);
        }
        return known;
    }
}
