package dev.lastcut.server.counter;

/** Headers, terminals, switches. */
final class Connectors {
    private static final String CONTACT = "Bramble Contact";

    private Connectors() {}

    static void put(Shelves s) {
        for (int rows = 1; rows <= 2; rows++) {
            for (int n = 1; n <= 20; n++) {
                header(s, rows, n);
            }
        }
        // A pair beside each other is called by its columns.
        for (int n = 2; n <= 8; n++) {
            terminal(s, n);
        }
        for (int n = 2; n <= 12; n++) {
            s.put(
                    s.part(CONTACT, "BC-W" + n, "connector", "WIRE" + n)
                            .says("wire to board connector, " + n + " contacts, 2 mm")
                            .body(2.0 * n + 2, 4.5, 5.8)
                            .typ("contacts", n, "")
                            .typ("pitch", 2, "mm")
                            .max("current-rating", 2, "A", null)
                            .price(0.05 + n / 60.0));
        }
        int i = 0;
        for (int force : new int[] {100, 160, 260}) {
            for (double height : new double[] {3.5, 4.3, 5, 7, 9.5, 13}) {
                s.put(
                        s.part("Drumlin Switch", "DS-T" + (++i), "switch", "TACT")
                                .says("push button " + force + " g, " + height + " mm high")
                                .body(6, 6, height)
                                .min("operations", 100_000, "", null)
                                .max("current-rating", 50, "mA", null)
                                .price(0.05));
            }
        }
    }

    private static void header(Shelves s, int rows, int n) {
        s.put(
                s.part(CONTACT, "BC-HDR" + rows + "X" + n, "connector", "HDR" + rows + "X" + n)
                        .says("pin header, " + rows + " × " + n)
                        .body(2.54 * n, 2.54 * rows, 8.5)
                        .typ("contacts", rows * n, "")
                        .typ("pitch", 2.54, "mm")
                        .max("current-rating", 3, "A", null)
                        .price(0.03 + rows * n / 50.0));
    }

    private static void terminal(Shelves s, int n) {
        s.put(
                s.part(CONTACT, "BC-TERM" + n, "connector", "TERM" + n)
                        .says("screw terminal, " + n + " wires, 5 mm")
                        .body(5.0 * n, 8, 10)
                        .typ("contacts", n, "")
                        .typ("pitch", 5, "mm")
                        .max("current-rating", 10, "A", null)
                        .price(0.12 * n));
    }
}
