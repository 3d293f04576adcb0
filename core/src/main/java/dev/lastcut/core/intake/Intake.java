package dev.lastcut.core.intake;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.intake.Pack.PackFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Opens a pack: reads every file, settles the roles, assembles the board. Used once per pack. */
public final class Intake {
    private static final List<DrillFormat> LIKELY_FORMATS =
            List.of(
                    DrillFormat.METRIC,
                    new DrillFormat(true, 3, 3, true),
                    DrillFormat.INCH,
                    new DrillFormat(false, 2, 4, true),
                    new DrillFormat(true, 4, 4, false),
                    new DrillFormat(true, 3, 2, false));

    private final Pack pack;
    private final Map<String, Role> chosen;
    private final Map<String, Reading> readings = new LinkedHashMap<>();
    private final List<Problem> problems = new ArrayList<>();

    private Intake(Pack pack, Map<String, Role> chosen) {
        this.pack = pack;
        this.chosen = chosen;
    }

    /**
     * @param chosen roles set by the user, by path; they win over every proposal
     * @throws UnusablePackException when no file of the pack describes any part of a board
     */
    public static Board open(Pack pack, Map<String, Role> chosen) throws UnusablePackException {
        return new Intake(pack, chosen).open();
    }

    private Board open() throws UnusablePackException {
        for (PackFile f : pack.files()) {
            readings.put(f.path(), Reading.of(f.path(), f.content()));
        }
        boolean any =
                readings.values().stream()
                        .anyMatch(r -> r instanceof Reading.Gerber || r instanceof Reading.Drill);
        if (!any) {
            throw new UnusablePackException(
                    pack.name()
                            + " holds no Gerber or drill file ("
                            + pack.files().size()
                            + " other files): bring in what your layout program exports for"
                            + " fabrication.");
        }
        RoleProposer proposer = new RoleProposer(readings);
        settleDrillFormats(proposer);
        List<SourceFile> files = settleRoles(proposer.propose());
        readings.values().forEach(r -> problems.addAll(r.problems()));
        return assemble(files);
    }

    private void settleDrillFormats(RoleProposer proposer) {
        for (PackFile f : pack.files()) {
            if (!(readings.get(f.path()) instanceof Reading.Drill d)
                    || d.file().formatStated()
                    || d.file().holes().isEmpty()) {
                continue;
            }
            Reading.Drill best = d;
            double bestHits = proposer.holesOnPads(d.file());
            for (DrillFormat format : LIKELY_FORMATS) {
                Reading.Drill tried = Reading.drillAs(f.path(), f.content(), format);
                double hits = proposer.holesOnPads(tried.file());
                if (hits > bestHits) {
                    best = tried;
                    bestHits = hits;
                }
            }
            readings.put(f.path(), best);
        }
    }

    private List<SourceFile> settleRoles(Map<String, SourceFile> proposed) {
        Map<Role, SourceFile> taken = new HashMap<>();
        List<SourceFile> result = new ArrayList<>();
        List<SourceFile> bySureness = new ArrayList<>(proposed.values());
        for (int i = 0; i < bySureness.size(); i++) {
            SourceFile f = bySureness.get(i);
            Role role = chosen.get(f.path());
            if (role != null) {
                bySureness.set(i, new SourceFile(f.path(), role, "you chose it", 1, true));
            }
        }
        bySureness.sort(Comparator.comparingDouble(f -> -f.confidence()));
        for (SourceFile f : bySureness) {
            boolean single =
                    f.role().isPicture()
                            || f.role().equals(Role.NETLIST)
                            || f.role().equals(Role.PARTS_LIST)
                            || f.role().equals(Role.PLACEMENT);
            SourceFile first = single ? taken.putIfAbsent(f.role(), f) : null;
            if (first == null) {
                result.add(f);
                continue;
            }
            problems.add(
                    new Problem(
                            Problem.Code.DUPLICATE_ROLE,
                            f.path(),
                            0,
                            "looks like " + f.role().words() + ", but so does " + first.path(),
                            "not used; choose its role if the other file is the wrong one"));
            String evidence = f.evidence() + "; but " + first.path() + " has that role";
            result.add(new SourceFile(f.path(), Role.UNKNOWN, evidence, 0.2, false));
        }
        result.sort(Comparator.comparing(SourceFile::path));
        return result;
    }

    private Board assemble(List<SourceFile> files) {
        List<Layer> layers = new ArrayList<>();
        List<Hole> holes = new ArrayList<>();
        Optional<Outline> outline = Optional.empty();
        Optional<Netlist> netlist = Optional.empty();
        Optional<List<ListedPart>> parts = Optional.empty();
        Optional<List<PlacedPart>> placements = Optional.empty();
        for (SourceFile f : files) {
            Reading reading = readings.get(f.path());
            if (reading instanceof Reading.Gerber g && f.role().isPicture()) {
                layers.add(new Layer(f.role(), f.path(), g.file().features()));
                if (f.role().equals(Role.OUTLINE)) {
                    outline = Optional.of(OutlineBuilder.build(g.file().features()));
                }
            } else if (reading instanceof Reading.Drill d && f.role().isHoles()) {
                holes.addAll(plated(d, f.role()));
            } else if (reading instanceof Reading.Nets n && f.role().equals(Role.NETLIST)) {
                netlist = Optional.of(n.result().netlist());
            } else if (reading instanceof Reading.Parts p && f.role().equals(Role.PARTS_LIST)) {
                parts = Optional.of(p.result().parts());
            } else if (reading instanceof Reading.Placements p && f.role().equals(Role.PLACEMENT)) {
                placements = Optional.of(p.result().parts());
            } else if (!f.role().equals(Role.UNKNOWN)) {
                problems.add(
                        new Problem(
                                Problem.Code.NOT_READABLE,
                                f.path(),
                                0,
                                "its content cannot serve as " + f.role().words(),
                                "not used; choose another role"));
            }
        }
        layers.sort(Comparator.comparingInt(l -> rank(l.role())));
        return new Board(files, layers, outline, holes, netlist, parts, placements, problems);
    }

    private static List<Hole> plated(Reading.Drill d, Role role) {
        if (role.equals(Role.MIXED_HOLES)) {
            return d.file().holes();
        }
        boolean plated = role.equals(Role.PLATED_HOLES);
        return d.file().holes().stream()
                .map(h -> new Hole(h.from(), h.to(), h.diameter(), plated, h.file(), h.line()))
                .toList();
    }

    /** Copper first, from top to bottom; then mask, paste, silk; then the outline. */
    private static int rank(Role role) {
        int kind = role.kind().ordinal() * 100;
        if (role.inner() > 0) {
            return kind + role.inner();
        }
        return kind + (role.side().equals(Optional.of(Side.BOTTOM)) ? 99 : 0);
    }
}
