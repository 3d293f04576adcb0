package dev.lastcut.server.jobs;

import static java.nio.charset.StandardCharsets.UTF_8;

import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.CutZip;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.Verification;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketWords;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;

/** Cuts afterwards: to whom they went, two held against each other, a zip held against its list. */
@Service
public class CutService {
    private static final int MOST_WORDS = 2000;

    /** What is said of a file that says another moment and is the same else. */
    private static final String ONLY_DATE = "its date";

    private final CutStore cuts;
    private final JobService jobs;
    private final OutputService outputs;
    private final Sheets sheets;
    private final ResultCache<Difference> differences = new ResultCache<>(3);

    CutService(CutStore cuts, JobService jobs, OutputService outputs, Sheets sheets) {
        this.cuts = cuts;
        this.jobs = jobs;
        this.outputs = outputs;
        this.sheets = sheets;
    }

    public List<CutStore.Handed> handed(long id) {
        return cuts.handed(id);
    }

    /** Notes to whom a cut was handed. */
    public List<CutStore.Handed> hand(long id, int number, String to, String note) {
        outputs.cutZip(id, number);
        if (to.isBlank() || to.length() > 200 || note.length() > MOST_WORDS) {
            throw new RefusedException(
                    "Say to whom it went, in at most 200 characters; a note has at most "
                            + MOST_WORDS
                            + ".");
        }
        cuts.hand(id, new CutStore.Handed(number, to.strip(), JobService.time(), note.strip()));
        return handed(id);
    }

    /**
     * A zip from anywhere.
     *
     * @param here what is known of it here, in a sentence; empty for nothing
     */
    public record Verified(Verification found, String here) {}

    /**
     * @param zip on the disk, as it may be large
     * @throws IOException when it cannot be read
     */
    public Verified verify(Path zip) throws IOException {
        Verification v = Verification.of(zip);
        Optional<CutStore.Kept> kept;
        try (InputStream in = Files.newInputStream(zip)) {
            kept = cuts.kept(Manifest.sha256(in));
        }
        if (kept.isPresent()) {
            return new Verified(
                    v,
                    "It is cut "
                            + kept.get().number()
                            + " of "
                            + kept.get().name()
                            + ", byte for byte as it is kept here.");
        }
        if (v.cut().isEmpty()) {
            return new Verified(v, "");
        }
        List<CutStore.Kept> like = cuts.kept(v.cut().get().job(), v.cut().get().number());
        boolean same =
                like.stream()
                        .map(k -> outputs.cutFile(k.job(), k.number(), Verification.MANIFEST))
                        .anyMatch(own -> Manifest.sha256(own).equals(v.manifest()));
        if (like.isEmpty()) {
            return new Verified(v, "No cut of this name and number is kept here.");
        }
        return new Verified(
                v,
                same
                        ? "Its manifest is that of the cut kept here; the zip was packed anew."
                        : "A cut of this name and number is kept here, and its manifest is another"
                                + " one: do not trust this zip.");
    }

    /** A file that two cuts do not have alike. */
    public record FileDifference(String path, String what) {}

    /** A finding that only one of two cuts has. */
    public record FindingDifference(String rule, String severity, String message, boolean isNew) {}

    /** Two cuts, the earlier first; {@code choices} is what of the tickets differs, in words. */
    public record Difference(
            List<FileDifference> files,
            BoardChanges board,
            String choices,
            List<FindingDifference> findings) {}

    public Difference between(long id, int before, int after) {
        byte[] a = outputs.cutZip(id, before);
        byte[] b = outputs.cutZip(id, after);
        return differences.get(
                List.of(Manifest.sha256(a), Manifest.sha256(b)),
                Ticket.BLANK,
                asking -> {
                    try {
                        Map<String, byte[]> x = CutZip.all(a);
                        Map<String, byte[]> y = CutZip.all(b);
                        return new Difference(
                                files(x, y),
                                BoardChanges.between(board(x), board(y)),
                                TicketWords.changed(
                                        ticket(x),
                                        ticket(y),
                                        s -> sheets.find(s).map(c -> c.name()).orElse(s)),
                                findings(x, y));
                    } catch (UnusablePackException e) {
                        throw new RefusedException(e.getMessage());
                    }
                });
    }

    private static List<FileDifference> files(Map<String, byte[]> a, Map<String, byte[]> b) {
        TreeSet<String> paths = new TreeSet<>(a.keySet());
        paths.addAll(b.keySet());
        List<FileDifference> all = new ArrayList<>();
        for (String p : paths) {
            if (!b.containsKey(p)) {
                all.add(new FileDifference(p, "left out"));
            } else if (!a.containsKey(p)) {
                all.add(new FileDifference(p, "added"));
            } else if (!Arrays.equals(a.get(p), b.get(p))) {
                boolean date = Arrays.equals(dated(a.get(p), created(a), created(b)), b.get(p));
                all.add(new FileDifference(p, date ? ONLY_DATE : "changed"));
            }
        }
        return all;
    }

    /** A text as it would be of another moment; what is no text is other anyway. */
    private static byte[] dated(byte[] content, String was, String is) {
        return was.isEmpty()
                ? content
                : new String(content, StandardCharsets.ISO_8859_1)
                        .replace(was, is)
                        .getBytes(StandardCharsets.ISO_8859_1);
    }

    private static String created(Map<String, byte[]> files) {
        byte[] manifest = files.getOrDefault(Verification.MANIFEST, "{}".getBytes(UTF_8));
        return Json.MAPPER.readTree(manifest).path("created").asString();
    }

    /** The board as a cut's own files have it. */
    private static BoardGeometry board(Map<String, byte[]> files) throws UnusablePackException {
        List<Pack.PackFile> pack = new ArrayList<>();
        files.forEach(
                (path, content) -> {
                    boolean table = path.matches("assembly/(parts|placement[a-z-]*)\\.csv");
                    boolean made = path.startsWith("fabrication/") && !path.endsWith(".pdf");
                    if (table || made) {
                        pack.add(new Pack.PackFile(path, content));
                    }
                });
        return new BoardGeometry(Intake.open(new Pack("cut", pack)));
    }

    private static Ticket ticket(Map<String, byte[]> files) {
        try {
            return Tickets.takenIn(files.getOrDefault("ticket.json", new byte[0]));
        } catch (BadTicketException e) {
            return Ticket.BLANK;
        }
    }

    private static List<FindingDifference> findings(
            Map<String, byte[]> before, Map<String, byte[]> after) {
        Map<String, JsonNode> a = byId(before);
        Map<String, JsonNode> b = byId(after);
        List<FindingDifference> all = new ArrayList<>();
        b.forEach(
                (id, f) -> {
                    if (!a.containsKey(id)) {
                        all.add(finding(f, true));
                    }
                });
        a.forEach(
                (id, f) -> {
                    if (!b.containsKey(id)) {
                        all.add(finding(f, false));
                    }
                });
        return all;
    }

    private static FindingDifference finding(JsonNode f, boolean isNew) {
        return new FindingDifference(
                f.path("rule").asString(),
                f.path("severity").asString(),
                f.path("message").asString(),
                isNew);
    }

    private static Map<String, JsonNode> byId(Map<String, byte[]> files) {
        Map<String, JsonNode> all = new LinkedHashMap<>();
        byte[] report = files.get("report.json");
        if (report != null) {
            for (JsonNode f : Json.MAPPER.readTree(report).path("findings")) {
                all.put(f.path("id").asString(), f);
            }
        }
        return all;
    }
}
