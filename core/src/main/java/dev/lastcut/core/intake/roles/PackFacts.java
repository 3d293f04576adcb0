package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.naming.Hints;
import dev.lastcut.core.intake.naming.Vocabulary;
import dev.lastcut.core.intake.naming.Words;
import dev.lastcut.core.intake.picture.Blobs.Blob;
import dev.lastcut.core.intake.picture.Grid;
import dev.lastcut.core.intake.reading.JobFile;
import dev.lastcut.core.intake.reading.Reading;
import dev.lastcut.core.intake.tables.OpenPads;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * What a pack holds, read but not yet understood: pictures on one grid, holes, netlist points,
 * placed parts, and the words of names and comments. Nothing in it depends on the order of files.
 */
public final class PackFacts {
    private static final int MOST_ANCHORS = 500;

    /** A hole lies so near to the middle of its pad, as a share of the pad's width. */
    private static final double OFF_CENTRE = 0.2;

    private static final double SAME_PLACE_NM = 60_000;

    private final TreeMap<String, Reading> readings;
    private final TreeMap<String, Picture> pictures = new TreeMap<>();
    private final List<Hole> holes = new ArrayList<>();
    private final List<Netlist.Point> points = new ArrayList<>();
    private final Map<String, Hints> names = new HashMap<>();
    private final Map<String, Hints> folders = new HashMap<>();
    private final Map<String, Hints> remarks = new HashMap<>();
    private final STRtree holeIndex = new STRtree();
    private final Envelope usual;
    private List<Pt> anchors;
    private List<Pt> surfacePads;
    private List<Hole> padded;
    private PlaceIndex<Double> flashed;
    private List<PlacedPart> placed = List.of();

    public PackFacts(Map<String, Reading> readings) {
        this.readings = new TreeMap<>(readings);
        List<Envelope> boxes = new ArrayList<>();
        this.readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Gerber g && isPicture(g)) {
                        boxes.add(Picture.extent(g.file().features()));
                    } else if (r instanceof Reading.Drawn d) {
                        boxes.add(d.drawing().extent());
                    } else if (r instanceof Reading.Drill d) {
                        holes.addAll(d.file().places());
                    } else if (r instanceof Reading.Nets n) {
                        points.addAll(n.result().netlist().points());
                    }
                });
        holes.forEach(h -> holeIndex.insert(new Envelope(h.middle().coordinate()), h));
        usual = Grid.usual(boxes);
        Grid grid = Grid.about(boxes);
        this.readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Gerber g && isPicture(g)) {
                        List<Feature> features = g.file().features();
                        pictures.put(
                                path, new Picture(path, features, g.file().isNegative(), grid));
                    } else if (r instanceof Reading.Drawn d) {
                        List<Feature> features = d.drawing().features();
                        pictures.put(path, new Picture(path, features, false, grid));
                    }
                });
        readWords();
    }

    private static boolean isPicture(Reading.Gerber g) {
        return g.file().components().isEmpty();
    }

    private void readWords() {
        Map<String, List<String>> leaves = new HashMap<>();
        Map<String, List<String>> said = new HashMap<>();
        readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Gerber || r instanceof Reading.Drill) {
                        leaves.put(path, Words.of(leaf(path)));
                        List<String> words = new ArrayList<>();
                        remarksOf(r).forEach(t -> words.addAll(Words.of(t)));
                        if (!words.isEmpty()) {
                            said.put(path, words);
                        }
                    }
                });
        Words.withoutCommonStart(leaves)
                .forEach((path, words) -> names.put(path, Vocabulary.read(words)));
        for (String path : readings.keySet()) {
            names.computeIfAbsent(path, p -> Vocabulary.read(Words.of(leaf(p))));
        }
        Words.withoutWhatAllSay(Words.withoutCommonStart(said))
                .forEach((path, words) -> remarks.put(path, Vocabulary.read(words)));
        Set<String> all = new HashSet<>();
        readings.keySet().forEach(p -> all.add(folder(p)));
        if (all.size() > 1) {
            for (String path : readings.keySet()) {
                folders.put(path, Vocabulary.read(Words.of(folder(path))));
            }
        }
    }

    private static List<String> remarksOf(Reading r) {
        if (r instanceof Reading.Gerber g) {
            return g.file().remarks();
        }
        return r instanceof Reading.Drill d ? d.file().remarks() : List.of();
    }

    static String leaf(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static String folder(String path) {
        int last = path.lastIndexOf('/');
        int before = path.lastIndexOf('/', last - 1);
        return last < 0 ? "" : path.substring(before + 1, last);
    }

    Map<String, Reading> readings() {
        return readings;
    }

    Collection<Picture> pictures() {
        return pictures.values();
    }

    /** Draws every picture and finds its pieces, side by side, before anybody asks. */
    void lookAtAll() {
        Parallel.forEach(pictures.values(), Picture::compact);
    }

    Picture picture(String path) {
        return pictures.get(path);
    }

    List<Hole> holes() {
        return holes;
    }

    /** The holes that some picture with tracks or areas has a ring for: those of copper. */
    List<Hole> paddedHoles() {
        if (padded == null) {
            List<Picture> drawn =
                    pictures.values().stream()
                            .filter(p -> !p.isSparse() && p.contour().isEmpty())
                            .toList();
            int step = Math.max(1, (holes.size() + MOST_ANCHORS - 1) / MOST_ANCHORS);
            padded = new ArrayList<>();
            for (int i = 0; i < holes.size(); i += step) {
                Hole h = holes.get(i);
                if (drawn.stream().anyMatch(p -> p.hasRing(h.middle(), h.diameter()))) {
                    padded.add(h);
                }
            }
        }
        return padded;
    }

    List<Netlist.Point> points() {
        return points;
    }

    /** The parts of the placement, as they lie on the pads; empty where that is not known yet. */
    List<PlacedPart> placed() {
        return placed;
    }

    public void place(List<PlacedPart> parts) {
        placed = List.copyOf(parts);
    }

    /** The box that most pictures fill. */
    public Envelope usual() {
        return new Envelope(usual);
    }

    public Hints name(String path) {
        return names.getOrDefault(path, Hints.NONE);
    }

    /** What the last folder's name says; nothing where all files lie in the same. */
    public Hints folderName(String path) {
        return folders.getOrDefault(path, Hints.NONE);
    }

    Hints remark(String path) {
        return remarks.getOrDefault(path, Hints.NONE);
    }

    /** The function that a file states of itself by its attribute. */
    Optional<String> ownFunction(String path) {
        return readings.get(path) instanceof Reading.Gerber g
                ? g.file().fileFunction()
                : Optional.empty();
    }

    /** The function that a job file of the pack names for a file. */
    Optional<String> jobFunction(String path) {
        for (Reading r : readings.values()) {
            if (r instanceof Reading.Job j) {
                Optional<String> says = JobFile.functionOf(j.file(), path);
                if (says.isPresent()) {
                    return says;
                }
            }
        }
        return Optional.empty();
    }

    /** Pictures of pads or openings and little else: mask and paste, most likely. */
    List<Picture> sparse() {
        return pictures.values().stream().filter(Picture::isSparse).toList();
    }

    /** The openings of all sparse pictures, as ground for parts. */
    public OpenPads openPads() {
        List<OpenPads.Opening> all = new ArrayList<>();
        double step = 0;
        for (Picture p : sparse()) {
            all.addAll(openings(p));
            step = p.grid().pixelNm();
        }
        return new OpenPads(all, usual(), step);
    }

    List<OpenPads.Opening> openings(Picture p) {
        return p.compact().stream()
                .map(b -> new OpenPads.Opening(b.middle(), b.widthNm(), b.heightNm()))
                .toList();
    }

    /**
     * The width of the smallest pad or opening in the middle of which a place lies, in any picture,
     * nm; empty where there is none. A pad within a pour is found where it is flashed.
     */
    public OptionalDouble padAt(Pt at) {
        if (flashed == null) {
            flashed = flashed();
        }
        Optional<Double> flash = flashed.at(at);
        if (flash.isPresent()) {
            return OptionalDouble.of(flash.get());
        }
        return pictures.values().stream()
                .flatMap(p -> p.compact().stream())
                .filter(
                        b ->
                                b.middle().distance(at)
                                        < Math.min(b.widthNm(), b.heightNm()) * OFF_CENTRE)
                .mapToDouble(b -> Math.min(b.widthNm(), b.heightNm()))
                .min();
    }

    /** The narrowest flash at each place where there is one, nm. */
    private PlaceIndex<Double> flashed() {
        Shaper shaper = new Shaper(Flattener.FINE);
        Map<Pt, Double> narrowest = new HashMap<>();
        for (Picture p : pictures.values()) {
            for (Feature f : p.features()) {
                if (f instanceof Feature.Flash x && x.dark()) {
                    Envelope box = shaper.shape(x).getEnvelopeInternal();
                    double width = Math.min(box.getWidth(), box.getHeight());
                    narrowest.merge(x.at(), width, Math::min);
                }
            }
        }
        PlaceIndex<Double> index = new PlaceIndex<>(SAME_PLACE_NM);
        narrowest.forEach(index::put);
        return index;
    }

    /** Whether no hole goes through an opening. */
    boolean isSurface(OpenPads.Opening o) {
        return !hasHole(o.at(), o.width(), o.height());
    }

    /** Whether a hole goes through a piece. */
    boolean hasHole(Blob b) {
        return hasHole(b.middle(), b.widthNm(), b.heightNm());
    }

    private boolean hasHole(Pt middle, double width, double height) {
        Envelope box = new Envelope(middle.coordinate());
        box.expandBy(width / 2, height / 2);
        return !holeIndex.query(box).isEmpty();
    }

    /**
     * Middles of pads and openings that no hole goes through, an even selection of all pictures.
     */
    List<Pt> surfacePads() {
        if (surfacePads == null) {
            surfacePads = new ArrayList<>();
            for (Picture p : sparse()) {
                p.sample().stream()
                        .filter(b -> !hasHole(b))
                        .forEach(b -> surfacePads.add(b.middle()));
            }
        }
        return surfacePads;
    }

    /** Places where copper is wanted: holes, and the middles of what is open. */
    List<Pt> anchors() {
        if (anchors == null) {
            List<Pt> all = new ArrayList<>();
            holes.forEach(h -> all.add(h.middle()));
            sparse().forEach(p -> p.sample().forEach(b -> all.add(b.middle())));
            int step = Math.max(1, (all.size() + MOST_ANCHORS - 1) / MOST_ANCHORS);
            List<Pt> some = new ArrayList<>();
            for (int i = 0; i < all.size(); i += step) {
                some.add(all.get(i));
            }
            anchors = some;
        }
        return anchors;
    }
}
