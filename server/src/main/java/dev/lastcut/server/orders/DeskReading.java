package dev.lastcut.server.orders;

import dev.lastcut.core.quote.OrderChoices;
import dev.lastcut.server.report.QuoteJson;
import java.util.List;
import java.util.stream.Stream;

/**
 * What a desk says of an upload.
 *
 * @param state {@code reading}, {@code read} or {@code refused}
 * @param says why it is refused, or how far it is, in a sentence
 * @param check what came of holding the upload against its own list of files, in a sentence
 * @param ordered what it understood of the order, a line each
 * @param quote null where it could not be worked out
 * @param parts what it made of the tables; null where it is to fit no parts
 * @param questions what an engineer will ask once it is ordered, as far as can be told now
 * @param parcels it came in; none where it came as one zip
 * @param asks what must be known or sent before it can be ordered
 * @param quantity how many boards are priced
 * @param options what can be chosen with it, and what each choice would do to the price
 */
public record DeskReading(
        String sha256,
        long bytes,
        String state,
        String says,
        String check,
        List<String> ordered,
        List<DeskFile> files,
        List<DeskBoard> boards,
        List<DeskFinding> findings,
        QuoteJson quote,
        DeskParts parts,
        int questions,
        List<DeskParcel> parcels,
        List<DeskAsk> asks,
        int quantity,
        List<OrderChoices.OrderChoice> options) {
    public static final String READING = "reading";
    public static final String READ = "read";
    public static final String REFUSED = "refused";

    /** Before anything is known of it. */
    public static DeskReading of(String sha256, long bytes, String state, String says) {
        return new DeskReading(
                sha256, bytes, state, says, "", List.of(), List.of(), List.of(), List.of(), null,
                null, 0, List.of(), List.of(), 0, List.of());
    }

    /** A reading from before there were parcels and options has none. */
    public DeskReading {
        parcels = parcels == null ? List.of() : parcels;
        asks = asks == null ? List.of() : asks;
        options = options == null ? List.of() : options;
    }

    /**
     * A parcel as it arrived.
     *
     * @param cut the number of the cut it is of; 0 for files of no cut
     * @param says what it was taken for
     */
    public record DeskParcel(String name, long bytes, int cut, int files, String says) {}

    /**
     * What is open.
     *
     * @param about a file, or {@code shop}, {@code outline}, {@code copper}, {@code holes}, {@code
     *     parts-list}, {@code placement}
     */
    public record DeskAsk(String about, String says) {}

    /**
     * What it took a file for.
     *
     * @param because what speaks for it; empty where that is plain
     */
    public record DeskFile(String path, String takenFor, String because) {}

    /**
     * One thing to be made as it was read: the board, or the panel it is on.
     *
     * @param pictures names of the pictures of its sides
     * @param fitted names of the pictures of the sides it fits, with their parts
     */
    public record DeskBoard(
            String name,
            double widthMm,
            double heightMm,
            int copperLayers,
            int plated,
            int unplated,
            List<String> pictures,
            List<String> fitted) {
        /** The names of all its pictures. */
        public List<String> all() {
            return fitted == null
                    ? pictures
                    : Stream.concat(pictures.stream(), fitted.stream()).toList();
        }

        /** The same with pictures of its parts. */
        public DeskBoard fitted(List<String> names) {
            return new DeskBoard(
                    name, widthMm, heightMm, copperLayers, plated, unplated, pictures, names);
        }
    }

    /** One of its own findings. */
    public record DeskFinding(
            String severity, String rule, String message, double xMm, double yMm) {}
}
