package dev.lastcut.core.intake;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.board.UnsizedTool;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.formats.drill.DrillReader;
import dev.lastcut.core.formats.table.ColumnKind;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.core.intake.places.PointMatch;
import dev.lastcut.core.intake.reading.Reading;
import dev.lastcut.core.intake.roles.CopperStack;
import dev.lastcut.core.intake.roles.PackFacts;
import dev.lastcut.core.intake.roles.Remembered;
import dev.lastcut.core.intake.roles.RoleProposer;
import dev.lastcut.core.intake.roles.SilkFit;
import dev.lastcut.core.work.Parallel;
import dev.lastcut.core.work.WorkLimit;
import dev.lastcut.core.work.WorkLimitException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** Opens a pack: reads every file, settles the roles, assembles the board. Used once per pack. */
public final class Intake {
    private final Pack pack;
    private final Choices chosen;
    private final Remembered remembered;
    private final Map<String, Reading> readings = new TreeMap<>();
    private final List<Problem> problems = new ArrayList<>();
    private ToolSizes tools = new ToolSizes();

    private Intake(Pack pack, Choices chosen, Remembered remembered) {
        this.pack = pack;
        this.chosen = chosen;
        this.remembered = remembered;
    }

    /** About ten times what a board of 200,000 objects takes. */
    private static final long MOST_STEPS = 4_000_000;

    /** Opens a pack of which nothing was decided yet. */
    public static Board open(Pack pack) throws UnusablePackException {
        return open(pack, Choices.NONE);
    }

    /**
     * @throws UnusablePackException when no file of the pack describes any part of a board
     */
    public static Board open(Pack pack, Choices chosen) throws UnusablePackException {
        return open(pack, chosen, Remembered.NOTHING);
    }

    /**
     * @param remembered what the user said of files of earlier packs
     * @throws UnusablePackException when no file of the pack describes any part of a board
     */
    public static Board open(Pack pack, Choices chosen, Remembered remembered)
            throws UnusablePackException {
        return WorkLimit.of(
                "Reading this pack", MOST_STEPS, new Intake(pack, chosen, remembered)::open);
    }

    private Board open() throws UnusablePackException {
        // Files know nothing of each other yet: they are read side by side.
        List<Reading> read = Parallel.map(pack.files(), this::read);
        for (int i = 0; i < read.size(); i++) {
            readings.put(pack.files().get(i).path(), read.get(i));
        }
        boolean any =
                readings.values().stream()
                        .anyMatch(r -> r instanceof Reading.Gerber || r instanceof Reading.Drill);
        // A circuit for strip board has no pictures: what is connected is enough.
        boolean circuit =
                readings.values().stream()
                        .anyMatch(r -> r instanceof Reading.Connected || r instanceof Reading.Nets);
        if (!any && !circuit) {
            throw new UnusablePackException(
                    pack.name()
                            + " holds no Gerber or drill file ("
                            + pack.files().size()
                            + " other files): bring in what your layout program exports for"
                            + " fabrication, or a table of connections for strip board.");
        }
        sizeTools();
        settleDrillFormats();
        DrillSpanNames.settle(readings, copperLike());
        DrillEdges.settle(readings);
        chosen.corrections()
                .forEach((path, c) -> readings.computeIfPresent(path, (p, r) -> r.moved(c)));
        Map<String, Reading> own = new TreeMap<>(readings);
        own.keySet().removeIf(path -> Role.NOT_PART.equals(chosen.roles().get(path)));
        Versions versions = Versions.find(own, said());
        own.keySet().removeAll(versions.older().keySet());
        List<BoardsInPack.Group> boards = BoardsInPack.find(own);
        for (BoardsInPack.Group other : boards.subList(Math.min(1, boards.size()), boards.size())) {
            own.keySet().removeAll(other.files());
        }
        Duplicates copies = Duplicates.find(own);
        PackFacts facts = new PackFacts(own);
        Placements placements = Placements.lay(own, facts);
        Map<String, SourceFile> proposed =
                RoleProposer.propose(facts, chosen.roles(), copies.originals(), remembered);
        placements.settle(facts, proposed);
        askOfTables(proposed, placements);
        askOfVersions(proposed, versions);
        askOfBoards(proposed, boards);
        spanHoles(proposed, facts);
        proposeSizes(proposed, facts);
        List<SourceFile> files = register(List.copyOf(proposed.values()), facts);
        readings.values().forEach(r -> problems.addAll(r.problems()));
        problems.addAll(copies.problems());
        problems.addAll(placements.problems());
        Board board = new BoardAssembler(files, readings, facts, placements, problems).board();
        List<Problem> disagreements = JobFileCheck.problems(readings, board);
        return disagreements.isEmpty() ? board : board.withProblems(disagreements);
    }

    /** Drill files without sizes are read again with those that a report in the pack states. */
    private void sizeTools() {
        tools = ToolSizes.of(readings, chosen.toolSizes());
        problems.addAll(tools.problems());
        if (!tools.isEmpty()) {
            for (PackFile f : pack.files()) {
                if (!tools.of(f.path()).isEmpty()) {
                    readings.put(f.path(), drill(f));
                }
            }
        }
    }

    private Reading.Drill drill(PackFile f) {
        DrillFormat format = chosen.formats().get(f.path());
        return format != null
                ? new Reading.Drill(
                        DrillReader.readAs(f.path(), f.content(), format, tools.of(f.path())))
                : new Reading.Drill(
                        DrillReader.read(
                                f.path(), f.content(), Optional.empty(), tools.of(f.path())));
    }

    /** Files of which the user said that they are part of the board. */
    private Set<String> said() {
        Set<String> all = new HashSet<>(chosen.roles().keySet());
        all.removeIf(path -> Role.NOT_PART.equals(chosen.roles().get(path)));
        return all;
    }

    private void askOfTables(Map<String, SourceFile> proposed, Placements placements) {
        proposed.replaceAll(
                (path, f) -> {
                    Optional<Doubt> open = Optional.empty();
                    if (f.role().equals(Role.PLACEMENT)) {
                        open = placements.doubt(path);
                    } else if (f.role().equals(Role.PARTS_LIST)
                            && readings.get(path) instanceof Reading.Parts p
                            && !p.result().open().isEmpty()) {
                        open = Optional.of(new Doubt(Doubt.Kind.COLUMNS, p.result().open()));
                    }
                    boolean said = f.chosen() || chosen.columns().containsKey(path);
                    return said ? f : open.map(f::doubted).orElse(f);
                });
    }

    /** Versions are one question: the newer files are proposed, the older laid aside with it. */
    private void askOfVersions(Map<String, SourceFile> proposed, Versions versions) {
        for (String path : versions.asked()) {
            SourceFile f = proposed.get(path);
            if (f != null && !f.chosen()) {
                proposed.put(path, f.doubted(versions.doubt(path)));
            }
        }
        versions.older()
                .forEach(
                        (path, now) -> {
                            SourceFile f =
                                    new SourceFile(
                                            path,
                                            Role.NOT_PART,
                                            "an older version of " + now,
                                            0.8,
                                            false);
                            boolean settled = chosen.roles().containsKey(now);
                            proposed.put(path, settled ? f : f.doubted(versions.doubt(path)));
                        });
        for (String path : readings.keySet()) {
            if (Role.NOT_PART.equals(chosen.roles().get(path))) {
                proposed.put(path, new SourceFile(path, Role.NOT_PART, "you chose it", 1, true));
            }
        }
    }

    /** Files of several boards: one is proposed, and nothing is certain before the user says. */
    private void askOfBoards(Map<String, SourceFile> proposed, List<BoardsInPack.Group> boards) {
        if (boards.size() < 2) {
            return;
        }
        List<String> names = new ArrayList<>();
        for (BoardsInPack.Group g : boards) {
            String name = g.name().isEmpty() ? "another" : "“" + g.name() + "”";
            names.add(name + " (" + g.files().size() + " files)");
        }
        String text = "the pack holds the files of two boards: " + String.join(", ", names);
        Doubt doubt = new Doubt(Doubt.Kind.BOARD, text, title(boards.get(0), 1));
        proposed.replaceAll(
                (path, f) ->
                        f.chosen() || !BoardsInPack.isOfBoard(f.role()) ? f : f.doubted(doubt));
        for (BoardsInPack.Group other : boards.subList(1, boards.size())) {
            Doubt its = new Doubt(Doubt.Kind.BOARD, text, title(other, 2));
            for (String path : other.files()) {
                String why = "it seems to be of another board";
                proposed.put(
                        path, new SourceFile(path, Role.NOT_PART, why, 0.5, false).doubted(its));
            }
        }
    }

    /** Missing copper layers, and holes that by their pads do not go through. */
    private void spanHoles(Map<String, SourceFile> proposed, PackFacts facts) {
        CopperStack stack = new CopperStack(facts, proposed.values());
        problems.addAll(stack.missing());
        for (SourceFile f : List.copyOf(proposed.values())) {
            boolean plated =
                    f.role().equals(Role.PLATED_HOLES) || f.role().equals(Role.MIXED_HOLES);
            if (!plated || !(readings.get(f.path()) instanceof Reading.Drill d)) {
                continue;
            }
            boolean through = d.file().holes().stream().allMatch(h -> h.span().isThrough());
            if (d.file().spanStated() || !through) {
                continue;
            }
            CopperStack.Found found = stack.spanOf(d.file().holes());
            found.span()
                    .ifPresent(
                            span -> {
                                readings.put(
                                        f.path(),
                                        new Reading.Drill(DrillSpanNames.spanned(d.file(), span)));
                                problems.add(
                                        new Problem(
                                                Problem.Code.FORMAT_GUESSED,
                                                f.path(),
                                                0,
                                                "by their pads its holes pass the copper layers "
                                                        + span.first()
                                                        + " to "
                                                        + span.last(),
                                                "they are written as blind or buried holes; compare"
                                                        + " with the layout"));
                            });
            if (found.open().isPresent() && !f.chosen()) {
                Doubt doubt = new Doubt(Doubt.Kind.SPAN, found.open().get());
                proposed.put(f.path(), f.doubted(doubt));
            }
        }
    }

    private static String title(BoardsInPack.Group board, int number) {
        return board.name().isEmpty() ? "board " + number : board.name();
    }

    /** Holes of which no file states the size get one to be confirmed, so that none is lost. */
    private void proposeSizes(Map<String, SourceFile> proposed, PackFacts facts) {
        for (SourceFile f : List.copyOf(proposed.values())) {
            if (!(readings.get(f.path()) instanceof Reading.Drill d)) {
                continue;
            }
            if (d.file().unsized().isEmpty()) {
                if (!tools.told(f.path()).isEmpty()) {
                    proposed.put(f.path(), f.withTools(tools.told(f.path())));
                }
                continue;
            }
            Map<Integer, Long> sizes = ToolSizes.proposed(facts, d.file().unsized());
            readings.put(f.path(), new Reading.Drill(ToolSizes.sized(d.file(), sizes)));
            String words = ToolSizes.words(d.file().unsized(), sizes);
            List<UnsizedTool> open = new ArrayList<>(tools.told(f.path()));
            d.file()
                    .unsized()
                    .forEach(
                            (tool, holes) ->
                                    open.add(
                                            new UnsizedTool(
                                                    tool, holes.size(), sizes.get(tool), false)));
            proposed.put(f.path(), f.withTools(open));
            if (!f.chosen()) {
                String text =
                        "no file states the size of its tools; by their pads they may be "
                                + words
                                + ". Bring in the tool list, or say the sizes";
                Doubt doubt = new Doubt(Doubt.Kind.SIZE, text);
                proposed.put(f.path(), f.withTools(open).doubted(doubt));
            }
        }
    }

    /** How many pictures are more than a few openings or lines: copper layers at most. */
    private int copperLike() {
        return (int)
                readings.values().stream()
                        .filter(
                                r ->
                                        r instanceof Reading.Gerber g
                                                && !g.file().features().isEmpty())
                        .count();
    }

    private Reading read(PackFile f) {
        try {
            return asSaid(f);
        } catch (WorkLimitException e) {
            throw new WorkLimitException(
                    "%s: %s Bring in the other files without it.", f.path(), e.getMessage());
        }
    }

    private Reading asSaid(PackFile f) {
        Reading reading = Reading.of(f.path(), f.content());
        DrillFormat format = chosen.formats().get(f.path());
        if (reading instanceof Reading.Drill && format != null) {
            return drill(f);
        }
        Double unit = chosen.unitsNm().get(f.path());
        if (reading instanceof Reading.Drawn && unit != null) {
            return Reading.drawing(f.path(), f.content(), Optional.of(unit));
        }
        List<ColumnKind> columns = chosen.columns().get(f.path());
        if (columns != null) {
            return Reading.table(f.path(), f.content(), columns);
        }
        return reading;
    }

    /** Says of every file that does not lie on the others how it would. */
    private List<SourceFile> register(List<SourceFile> files, PackFacts facts) {
        Map<String, Role> roles = new HashMap<>();
        files.forEach(f -> roles.put(f.path(), f.role()));
        Map<String, Correction> wanted = new HashMap<>();
        for (Registration.Shift s : Registration.find(PadPlaces.of(readings, roles))) {
            wanted.put(s.path(), s.correction());
            misplaced(s.path(), "its places meet theirs", s.before(), s.after(), s.correction());
        }
        SilkFit.find(facts, files)
                .forEach(
                        (path, f) -> {
                            wanted.put(path, f.correction());
                            misplaced(
                                    path,
                                    "its lines lie about the parts",
                                    f.before(),
                                    1,
                                    f.correction());
                        });
        OutlineFit.find(files, readings)
                .ifPresent(
                        o -> {
                            wanted.putIfAbsent(o.path(), o.correction());
                            problems.add(o.problem());
                        });
        return files.stream()
                .map(
                        f ->
                                f.moved(
                                                Optional.ofNullable(
                                                        chosen.corrections().get(f.path())),
                                                Optional.ofNullable(wanted.get(f.path()))
                                                        .map(c -> after(f.path(), c)))
                                        .withStep(readings.get(f.path()).stepNm()))
                .toList();
    }

    private void misplaced(String path, String what, double before, double after, Correction c) {
        problems.add(
                new Problem(
                        Problem.Code.MISREGISTERED,
                        path,
                        0,
                        String.format(
                                Locale.ROOT,
                                "does not lie on the other files: %.0f %% of %s as it is, %.0f %%"
                                        + " when %s",
                                100 * before,
                                what,
                                100 * after,
                                c.words()),
                        "used as it is; the correction can be applied at Bring in"));
    }

    /** A suggestion on top of a correction that is applied already. */
    private Correction after(String path, Correction further) {
        Correction first = chosen.corrections().get(path);
        return first == null ? further : first.then(further);
    }

    /** A drill file that leaves its number format open is read so that its holes meet pads. */
    private void settleDrillFormats() {
        List<PointMatch> pads = null;
        for (PackFile f : pack.files()) {
            if (!(readings.get(f.path()) instanceof Reading.Drill d)
                    || d.file().formatStated()
                    || d.file().places().isEmpty()) {
                continue;
            }
            // Counting every picture takes a while: only where a file leaves its format open.
            pads = pads == null ? padsOfPictures() : pads;
            Reading.Drill best = d;
            double bestHits = holesOnPads(d, pads);
            double asRead = bestHits;
            for (DrillFormat format : DrillFormat.ALL) {
                Reading.Drill tried =
                        Reading.drillAs(f.path(), f.content(), format, tools.of(f.path()));
                double hits = holesOnPads(tried, pads);
                if (hits > bestHits + 0.02) {
                    best = tried;
                    bestHits = hits;
                }
            }
            readings.put(f.path(), best);
            problems.add(
                    new Problem(
                            Problem.Code.FORMAT_GUESSED,
                            f.path(),
                            0,
                            String.format(
                                    Locale.ROOT,
                                    "read as %s: %.0f %% of its holes then fall on pads (%.0f %% with"
                                            + " the usual format)",
                                    best.file().format().words(),
                                    100 * bestHits,
                                    100 * asRead),
                            "compare the holes with the pads; another format can be chosen at"
                                    + " Bring in"));
        }
    }

    private List<PointMatch> padsOfPictures() {
        List<PointMatch> all = new ArrayList<>();
        for (Reading r : readings.values()) {
            if (r instanceof Reading.Gerber g) {
                all.add(new PointMatch(PadPlaces.of(g.file().features())));
            }
        }
        return all;
    }

    private static double holesOnPads(Reading.Drill d, List<PointMatch> pads) {
        List<Pt> places = d.file().places().stream().map(Hole::middle).toList();
        return pads.stream().mapToDouble(p -> p.shareOf(places)).max().orElse(0);
    }
}
