package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.intake.naming.Hints;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Proposes a role for every file of a pack, all at once, with the evidence for and against it, how
 * sure it is, and what the user must be asked.
 */
public final class RoleProposer {
    /** The stack of no board has more pictures (32 copper layers and all others twice). */
    private static final int MOST_PICTURES = 64;

    /** Below this margin the user is asked: about one chance in eleven of being wrong. */
    static final double DOUBT_BITS = 2.5;

    /** Below this a file that could as well be nothing is left without a role. */
    private static final double UNCERTAIN_BITS = 2;

    /** Endings that only pictures and drill files have. */
    private static final String BOARD_ENDING =
            "(?i).*\\.(gbr|gerber|ger|gdo|pho|art|g[tb][lspo]|gko|gm\\d|drl|drd|xln|exc|tap|ncd)";

    private static final List<Witness> WITNESSES =
            List.of(
                    new StatedFunction(),
                    new WordWitness(WordWitness.Source.REMARK),
                    new WordWitness(WordWitness.Source.NAME),
                    new WordWitness(WordWitness.Source.FOLDER),
                    new PadContent(),
                    new LineContent(),
                    new ContourContent(),
                    new DrawingContent(),
                    new PadMasterContent(),
                    new StrayOpenings(),
                    new LayerNumbers(),
                    new StackText(),
                    new NetlistSides(),
                    new PlacedSides(),
                    new Lettering(),
                    new DrillSpans());

    private final PackFacts pack;
    private final Map<String, Role> chosen;
    private final Map<String, String> copies;
    private final Remembered remembered;
    private final TreeMap<String, SourceFile> files = new TreeMap<>();

    private RoleProposer(
            PackFacts pack,
            Map<String, Role> chosen,
            Map<String, String> copies,
            Remembered remembered) {
        this.pack = pack;
        this.chosen = chosen;
        this.copies = copies;
        this.remembered = remembered;
    }

    /**
     * @param chosen what the user said of files, by path
     * @param copies files that hold just what another holds, by path, and that other
     * @param remembered what the user said of files called like these before
     */
    public static Map<String, SourceFile> propose(
            PackFacts pack,
            Map<String, Role> chosen,
            Map<String, String> copies,
            Remembered remembered) {
        return new RoleProposer(pack, chosen, copies, remembered).propose();
    }

    private Map<String, SourceFile> propose() {
        chosen.forEach(
                (path, role) -> {
                    if (pack.readings().containsKey(path)) {
                        files.put(path, new SourceFile(path, role, "you chose it", 1, true));
                    }
                });
        pictures();
        files.putAll(TableRoles.propose(pack, chosen));
        HoleRoles holes = new HoleRoles(pack, files.values());
        pack.readings()
                .forEach(
                        (path, r) -> {
                            if (r instanceof Reading.Drill d) {
                                SourceFile f = holes.propose(path, d.file());
                                SourceFile said = files.get(path);
                                files.put(
                                        path,
                                        said == null
                                                ? f
                                                : said.withScale(f.scale(), f.scaleStated()));
                            } else if (!files.containsKey(path)) {
                                files.put(path, other(path, r));
                            }
                        });
        copies.forEach(this::copy);
        pack.readings()
                .forEach(
                        (path, r) -> {
                            if (r instanceof Reading.Drawn d) {
                                files.computeIfPresent(
                                        path,
                                        (k, f) ->
                                                f.withScale(
                                                        d.drawing().unit(),
                                                        d.drawing().unitStated()));
                            }
                        });
        sayTwice();
        return files;
    }

    private void copy(String path, String first) {
        SourceFile f = files.get(path);
        boolean aside = f != null && f.role().equals(Role.UNKNOWN) && !f.chosen();
        boolean doubledHoles = f != null && f.role().isHoles() && !f.chosen();
        if (aside || doubledHoles) {
            String evidence = "it holds exactly what " + first + " holds";
            files.put(path, f.withRole(Role.NOT_PART, evidence, 0.95, false));
        }
    }

    /** Two files that the user gave the same role: the second is asked about. */
    private void sayTwice() {
        Map<Role, String> first = new HashMap<>();
        for (SourceFile f : List.copyOf(files.values())) {
            if (f.chosen() && f.role().isSingle()) {
                String had = first.putIfAbsent(f.role(), f.path());
                if (had != null) {
                    String text =
                            "you chose " + f.role().words() + " for it and for " + had + " too";
                    files.put(
                            f.path(),
                            f.withRole(Role.UNKNOWN, "you chose it", 0.2, false)
                                    .doubted(new Doubt(Doubt.Kind.SHARED, text)));
                }
            }
        }
    }

    private SourceFile other(String path, Reading r) {
        if (r instanceof Reading.Beside b) {
            return new SourceFile(path, Role.NOT_PART, b.what(), 0.95, false);
        }
        if (r instanceof Reading.Job) {
            return new SourceFile(
                    path, Role.NOT_PART, "a job file: it says what the others are", 0.98, false);
        }
        if (r instanceof Reading.Tools) {
            return new SourceFile(path, Role.NOT_PART, "a report of the drill tools", 0.95, false);
        }
        boolean workbook = PackFacts.leaf(path).matches("(?i).*\\.(xlsx|xls|ods)");
        if (r instanceof Reading.Unknown u && (workbook || !u.columns().columns().isEmpty())) {
            return table(path);
        }
        Hints name = pack.name(path);
        boolean named = name.kind().isPresent() || name.holes() || name.table().isPresent();
        SourceFile f = new SourceFile(path, Role.UNKNOWN, "no reader knows its content", 0, false);
        if (PackFacts.leaf(path).matches(BOARD_ENDING)) {
            String text =
                    "its ending is that of a picture or drill file, but it cannot be read as one";
            return f.doubted(new Doubt(Doubt.Kind.ROLE, text));
        }
        if (named) {
            String text =
                    "its name says “" + name.words() + "”, but nothing in it can be read as that";
            return f.doubted(new Doubt(Doubt.Kind.ROLE, text));
        }
        return f.withRole(Role.NOT_PART, "nothing in it is of the board", 0.8, false);
    }

    /**
     * A table in which nothing lists parts: no part of the board only where both tables are there.
     */
    private SourceFile table(String path) {
        boolean list = files.values().stream().anyMatch(f -> f.role().equals(Role.PARTS_LIST));
        boolean places = files.values().stream().anyMatch(f -> f.role().equals(Role.PLACEMENT));
        Hints name = pack.name(path);
        SourceFile f =
                new SourceFile(path, Role.UNKNOWN, "a table without designators", 0.3, false);
        if (list && places && name.table().isEmpty()) {
            return f.withRole(Role.NOT_PART, "a table that lists no parts", 0.8, false);
        }
        String text =
                "a table of which no column lists designators; it may be the parts list or the"
                        + " placement";
        return f.doubted(new Doubt(Doubt.Kind.COLUMNS, text));
    }

    private void pictures() {
        List<Picture> open = new ArrayList<>();
        for (Picture p : pack.pictures()) {
            Role said = chosen.get(p.path());
            boolean settled = said != null && !said.isPicture();
            boolean copy = copies.containsKey(p.path()) && saysNothingElse(p.path());
            if (said == null && p.isEmpty() && saysNothing(p.path())) {
                files.put(
                        p.path(),
                        new SourceFile(p.path(), Role.NOT_PART, "an empty picture", 0.9, false));
            } else if (!settled && (said != null || !copy)) {
                open.add(p);
            } else if (!settled) {
                String evidence = "it holds exactly what " + copies.get(p.path()) + " holds";
                files.put(p.path(), new SourceFile(p.path(), Role.NOT_PART, evidence, 0.95, false));
            }
        }
        if (open.isEmpty()) {
            return;
        }
        if (open.size() > MOST_PICTURES) {
            tooMany(open);
        }
        Testimony testimony = new Testimony();
        // Where every file says itself what it is, nobody else need be heard.
        boolean stated = StatedFunction.settles(pack, open);
        if (!stated) {
            pack.lookAtAll();
        }
        (stated ? List.of(new StatedFunction()) : WITNESSES)
                .forEach(w -> w.testify(pack, testimony));
        if (!stated) {
            remembered.testify(pack, testimony);
        }
        RoleSolver.Bonds bonds = stated ? RoleSolver.Bonds.NONE : RoleSolver.Bonds.of(pack);
        RoleSolver solver = new RoleSolver(bonds, open, testimony, this::isPossible);
        RoleSolver.Answer answer = solver.solve();
        for (int i = 0; i < open.size(); i++) {
            String path = open.get(i).path();
            if (!chosen.containsKey(path)) {
                files.put(path, picture(open, i, solver, answer, testimony));
            }
        }
    }

    /** Whether neither the file nor its name says anything of what it is. */
    private boolean saysNothing(String path) {
        return function(path).isEmpty() && pack.name(path).isNone() && pack.remark(path).isNone();
    }

    /**
     * No board has so many pictures. Those of which nothing says what they are wait until the user
     * has taken some out.
     */
    private void tooMany(List<Picture> open) {
        List<Picture> silent =
                open.stream()
                        .filter(p -> !chosen.containsKey(p.path()) && saysNothing(p.path()))
                        .toList();
        String text =
                open.size()
                        + " pictures are more than a board has; say which are no part of it, or bring"
                        + " in the files of one board";
        List<Picture> left = new ArrayList<>(open);
        left.removeAll(silent);
        List<Picture> aside = new ArrayList<>(silent);
        if (left.size() > MOST_PICTURES) {
            aside.addAll(left.subList(MOST_PICTURES, left.size()));
        } else {
            int room = Math.min(aside.size(), MOST_PICTURES - left.size());
            aside.subList(0, room).clear();
        }
        open.removeAll(aside);
        for (Picture p : aside) {
            files.put(
                    p.path(),
                    new SourceFile(p.path(), Role.UNKNOWN, "one of too many", 0.1, false)
                            .doubted(new Doubt(Doubt.Kind.ROLE, text)));
        }
    }

    /**
     * Whether a copy says nothing of itself, or just what its original says: masks of both sides
     * are often the same picture.
     */
    private boolean saysNothingElse(String path) {
        String first = copies.get(path);
        Optional<String> function = function(path);
        return (function.isEmpty() || function.equals(function(first)))
                && !LayerNumbers.areApart(pack.picture(path), pack.picture(first))
                && saysNothingElse(pack.name(path), pack.name(first))
                && saysNothingElse(pack.remark(path), pack.remark(first));
    }

    private static boolean saysNothingElse(Hints own, Hints other) {
        boolean kind = own.kind().isEmpty() || own.kind().equals(other.kind());
        boolean side = own.side().isEmpty() || own.side().equals(other.side());
        boolean layer = own.layer().equals(other.layer()) && own.inner().equals(other.inner());
        return kind && side && layer;
    }

    /** The function that a file states of itself, or the job file of it. */
    private Optional<String> function(String path) {
        return pack.ownFunction(path).or(() -> pack.jobFunction(path));
    }

    private boolean isPossible(Picture p, Role role) {
        Role own = chosen.get(p.path());
        if (own != null) {
            return own.equals(role);
        }
        if (role.isHoles()) {
            return pack.holes().isEmpty() || statesHoles(p.path());
        }
        return !role.isSingle() || !chosen.containsValue(role);
    }

    private boolean statesHoles(String path) {
        return pack.ownFunction(path).flatMap(FileFunction::role).filter(Role::isHoles).isPresent();
    }

    private SourceFile picture(
            List<Picture> open,
            int i,
            RoleSolver solver,
            RoleSolver.Answer answer,
            Testimony testimony) {
        Picture p = open.get(i);
        String path = p.path();
        Optional<Role> assigned = answer.best().roles().get(i);
        double margin = Math.max(0, answer.margins()[i]);
        if (assigned.isEmpty()) {
            return without(open, i, answer, testimony);
        }
        Optional<Role> other = answer.others().get(i).roles().get(i);
        if (other.isEmpty() && margin < UNCERTAIN_BITS) {
            // Next to nothing speaks for it: it takes nobody's place before the user says so.
            return new SourceFile(path, Role.UNKNOWN, "little tells what it is", 0.3, false)
                    .doubted(
                            new Doubt(
                                    Doubt.Kind.ROLE,
                                    "it may be "
                                            + assigned.get().words()
                                            + ", or no part of the board"));
        }
        Role role = assigned.get();
        List<String> evidence = new ArrayList<>(testimony.speaksFor(path, role));
        evidence.addAll(solver.bondWords(answer.best(), i, true));
        List<String> against = new ArrayList<>(testimony.speaksAgainst(path, role));
        against.addAll(solver.bondWords(answer.best(), i, false));
        Optional<Doubt> doubt = Optional.empty();
        if (margin < DOUBT_BITS) {
            doubt = Optional.of(doubt(role, other, margin, open, i, answer));
            if (doubt.get().kind() == Doubt.Kind.SIDE && margin < 0.5) {
                evidence.add("nothing tells the side, so " + role.side().orElseThrow().word());
            }
        }
        if (role.inner() > 0) {
            double order = solver.orderMargin(answer.best(), i);
            margin = Math.min(margin, Math.max(0, order));
            if (order < DOUBT_BITS && doubt.isEmpty()) {
                String text = "nothing tells the order of the inner layers";
                evidence.add(text + ", so by name");
                doubt = Optional.of(new Doubt(Doubt.Kind.ORDER, text));
            }
        }
        if (doubt.isEmpty()) {
            doubt = contradiction(path, role);
        }
        SourceFile f =
                new SourceFile(path, role, words(evidence), confidence(margin), false)
                        .withAgainst(String.join("; ", against));
        return doubt.map(f::doubted).orElse(f);
    }

    /**
     * A name that says something else than what was found, where the file itself says nothing: one
     * of both is wrong, and which is not ours to say.
     */
    private Optional<Doubt> contradiction(String path, Role role) {
        boolean stated = function(path).isPresent();
        Hints name = pack.name(path);
        boolean kind = name.kind().isPresent() && name.kind().get() != role.kind();
        boolean side =
                name.side().isPresent()
                        && role.side().isPresent()
                        && !name.side().equals(role.side());
        if (stated || !(kind || side)) {
            return Optional.empty();
        }
        String text = "its name says “" + name.words() + "”, but what it shows is " + role.words();
        return Optional.of(new Doubt(Doubt.Kind.ROLE, text));
    }

    private static Doubt doubt(
            Role role,
            Optional<Role> other,
            double margin,
            List<Picture> open,
            int i,
            RoleSolver.Answer answer) {
        if (other.isPresent() && other.get().equals(role.across())) {
            String how = margin < 0.5 ? "nothing tells" : "little tells";
            return new Doubt(Doubt.Kind.SIDE, how + " whether it is of the top or the bottom");
        }
        String instead = other.map(Role::words).orElse("none of them, and no part of the board");
        for (int k = 0; k < open.size(); k++) {
            Optional<Role> its = answer.others().get(i).roles().get(k);
            if (k != i && its.isPresent() && its.get().equals(role)) {
                String text =
                        "it could be "
                                + role.words()
                                + ", but "
                                + open.get(k).path()
                                + " could be that as well";
                return new Doubt(Doubt.Kind.SHARED, text);
            }
        }
        return new Doubt(
                Doubt.Kind.ROLE, "it is most likely " + role.words() + ", or else " + instead);
    }

    /** A picture that got no role: known to be none, drawn as holes, or to be asked about. */
    private SourceFile without(
            List<Picture> open, int i, RoleSolver.Answer answer, Testimony testimony) {
        Picture p = open.get(i);
        String path = p.path();
        for (Role holes : List.of(Role.PLATED_HOLES, Role.UNPLATED_HOLES)) {
            double bits = testimony.weight(path, holes);
            if (isPossible(p, holes)
                    && bits > 0
                    && bits >= testimony.weight(path, Role.NOT_PART)
                    && bits >= testimony.weight(path, Role.UNPLATED_HOLES)) {
                String words = words(testimony.speaksFor(path, holes));
                return new SourceFile(path, holes, words, confidence(bits), false);
            }
        }
        double margin = Math.max(0, answer.margins()[i]);
        double aside = testimony.weight(path, Role.NOT_PART);
        if (p.isEmpty()) {
            return new SourceFile(path, Role.NOT_PART, "an empty picture", 0.8, false);
        }
        if (aside > 1 && margin >= DOUBT_BITS) {
            String words = words(testimony.speaksFor(path, Role.NOT_PART));
            return new SourceFile(path, Role.NOT_PART, words, confidence(margin), false);
        }
        Role nearest = nearest(path, testimony);
        Optional<String> holder = Optional.empty();
        for (int k = 0; k < open.size(); k++) {
            if (answer.best().roles().get(k).equals(Optional.of(nearest))) {
                holder = Optional.of(open.get(k).path());
            }
        }
        String evidence = words(testimony.speaksFor(path, nearest));
        SourceFile f =
                new SourceFile(path, Role.UNKNOWN, evidence, 0.3, false)
                        .withAgainst(String.join("; ", testimony.speaksAgainst(path, nearest)));
        boolean likely = testimony.weight(path, nearest) > 0;
        if (likely && holder.isPresent()) {
            String text =
                    "it looks like "
                            + nearest.words()
                            + ", but "
                            + holder.get()
                            + " is that already";
            return f.doubted(new Doubt(Doubt.Kind.SHARED, text));
        }
        return f.doubted(
                new Doubt(Doubt.Kind.ROLE, "a picture of which nothing tells what it shows"));
    }

    private static Role nearest(String path, Testimony testimony) {
        Role best = Role.OUTLINE;
        for (Role r : Role.pictures(8)) {
            if (testimony.weight(path, r) > testimony.weight(path, best)) {
                best = r;
            }
        }
        return best;
    }

    private static String words(List<String> evidence) {
        return evidence.isEmpty() ? "nothing tells what it is" : String.join("; ", evidence);
    }

    /** The chance that a margin of so many bits leaves, one half for none. */
    static double confidence(double bits) {
        return Math.round((1 - Math.pow(2, -(Math.max(0, bits) + 1))) * 1000) / 1000.0;
    }
}
