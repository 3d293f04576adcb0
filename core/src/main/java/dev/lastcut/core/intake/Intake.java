package dev.lastcut.core.intake;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.formats.drill.DrillReader;
import dev.lastcut.core.intake.Pack.PackFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Opens a pack: reads every file, settles the roles, assembles the board. Used once per pack. */
public final class Intake {
    private final Pack pack;
    private final Choices chosen;
    private final Map<String, Reading> readings = new LinkedHashMap<>();
    private final List<Problem> problems = new ArrayList<>();

    private Intake(Pack pack, Choices chosen) {
        this.pack = pack;
        this.chosen = chosen;
    }

    /** Opens a pack of which nothing was decided yet. */
    public static Board open(Pack pack) throws UnusablePackException {
        return open(pack, Choices.NONE);
    }

    /**
     * @throws UnusablePackException when no file of the pack describes any part of a board
     */
    public static Board open(Pack pack, Choices chosen) throws UnusablePackException {
        return new Intake(pack, chosen).open();
    }

    private Board open() throws UnusablePackException {
        for (PackFile f : pack.files()) {
            readings.put(f.path(), read(f));
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
        settleDrillFormats();
        chosen.corrections()
                .forEach((path, c) -> readings.computeIfPresent(path, (p, r) -> r.moved(c)));
        RoleProposer proposer = new RoleProposer(readings);
        List<SourceFile> files = settleRoles(proposer.propose());
        files = register(files, proposer);
        readings.values().forEach(r -> problems.addAll(r.problems()));
        problems.addAll(Duplicates.find(readings));
        return new BoardAssembler(files, readings, problems).board();
    }

    private Reading read(PackFile f) {
        Reading reading = Reading.of(f.path(), f.content());
        DrillFormat format = chosen.formats().get(f.path());
        if (reading instanceof Reading.Drill && format != null) {
            return new Reading.Drill(DrillReader.readAs(f.path(), f.content(), format));
        }
        Double unit = chosen.unitsNm().get(f.path());
        if (reading instanceof Reading.Drawn && unit != null) {
            return Reading.drawing(f.path(), f.content(), Optional.of(unit));
        }
        return reading;
    }

    /** Says of every file that does not lie on the others how it would. */
    private List<SourceFile> register(List<SourceFile> files, RoleProposer proposer) {
        Map<String, Role> roles = new HashMap<>();
        files.forEach(f -> roles.put(f.path(), f.role()));
        Map<String, Correction> wanted = new HashMap<>();
        for (Registration.Shift s : Registration.find(proposer.places(roles))) {
            wanted.put(s.path(), s.correction());
            problems.add(
                    new Problem(
                            Problem.Code.MISREGISTERED,
                            s.path(),
                            0,
                            String.format(
                                    Locale.ROOT,
                                    "does not lie on the other files: %.0f %% of its places meet"
                                            + " theirs as it is, %.0f %% when %s",
                                    100 * s.before(),
                                    100 * s.after(),
                                    s.correction().words()),
                            "used as it is; the correction can be applied at Bring in"));
        }
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
                                        Optional.ofNullable(chosen.corrections().get(f.path())),
                                        Optional.ofNullable(wanted.get(f.path()))
                                                .map(c -> after(f.path(), c))))
                .toList();
    }

    /** A suggestion on top of a correction that is applied already. */
    private Correction after(String path, Correction further) {
        Correction first = chosen.corrections().get(path);
        return first == null ? further : first.then(further);
    }

    private void settleDrillFormats() {
        RoleProposer proposer = null;
        for (PackFile f : pack.files()) {
            if (!(readings.get(f.path()) instanceof Reading.Drill d)
                    || d.file().formatStated()
                    || d.file().holes().isEmpty()) {
                continue;
            }
            // Counting every picture takes a while: only where a file leaves its format open.
            proposer = proposer == null ? new RoleProposer(readings) : proposer;
            Reading.Drill best = d;
            double bestHits = proposer.holesOnPads(d.file());
            double asRead = bestHits;
            for (DrillFormat format : DrillFormat.ALL) {
                Reading.Drill tried = Reading.drillAs(f.path(), f.content(), format);
                double hits = proposer.holesOnPads(tried.file());
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

    /** Component layers place the parts of one side each, so there are two of them. */
    private boolean isComponentLayer(SourceFile f) {
        return readings.get(f.path()) instanceof Reading.Gerber;
    }

    private List<SourceFile> settleRoles(Map<String, SourceFile> proposed) {
        Map<Role, SourceFile> taken = new HashMap<>();
        List<SourceFile> result = new ArrayList<>();
        List<SourceFile> bySureness = new ArrayList<>(proposed.values());
        for (int i = 0; i < bySureness.size(); i++) {
            SourceFile f = bySureness.get(i);
            Role role = chosen.roles().get(f.path());
            if (role != null) {
                bySureness.set(i, f.withRole(role, "you chose it", 1, true));
            }
        }
        bySureness.sort(Comparator.comparingDouble(f -> -f.confidence()));
        for (SourceFile f : bySureness) {
            boolean single =
                    f.role().isPicture()
                            || f.role().equals(Role.NETLIST)
                            || f.role().equals(Role.PARTS_LIST)
                            || (f.role().equals(Role.PLACEMENT) && !isComponentLayer(f));
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
            result.add(f.withRole(Role.UNKNOWN, evidence, 0.2, false));
        }
        result.sort(Comparator.comparing(SourceFile::path));
        return result;
    }
}
