package dev.lastcut.core.intake;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.formats.drawing.Drawing;
import dev.lastcut.core.formats.drill.DrillFile;
import dev.lastcut.core.formats.gerber.GerberFile;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Proposes a role for every file: what the file says of itself first, then what its content looks
 * like against the other files, then its name.
 */
final class RoleProposer {
    private final Map<String, Reading> readings;
    private final Map<String, PictureFacts> facts = new HashMap<>();
    private final List<Pt> holes = new ArrayList<>();
    private final List<Netlist.Point> netPoints = new ArrayList<>();

    RoleProposer(Map<String, Reading> readings) {
        this.readings = readings;
        readings.forEach(
                (path, reading) -> {
                    if (reading instanceof Reading.Gerber g) {
                        facts.put(path, PictureFacts.of(g.file().features()));
                    } else if (reading instanceof Reading.Drill d) {
                        d.file().holes().forEach(h -> holes.add(h.middle()));
                    } else if (reading instanceof Reading.Nets n) {
                        netPoints.addAll(n.result().netlist().points());
                    }
                });
    }

    Map<String, SourceFile> propose() {
        Map<String, SourceFile> result = new LinkedHashMap<>();
        Set<String> stated = new HashSet<>();
        readings.forEach(
                (path, reading) -> {
                    result.put(path, proposal(path, reading));
                    if (reading instanceof Reading.Gerber g
                            && g.file().fileFunction().flatMap(FileFunction::role).isPresent()) {
                        stated.add(path);
                    }
                });
        new CopperOrder(result, facts, stated).settle();
        // Holes last: what is copper is known only now.
        readings.forEach(
                (path, reading) -> {
                    if (reading instanceof Reading.Drill d) {
                        result.put(path, drill(path, d.file(), result));
                    }
                });
        return result;
    }

    /** Flash centres and hole middles by path, for laying files over each other. */
    Map<String, List<Pt>> places(Map<String, Role> roles) {
        Map<String, List<Pt>> places = new LinkedHashMap<>();
        readings.forEach(
                (path, reading) -> {
                    Role role = roles.getOrDefault(path, Role.UNKNOWN);
                    boolean pads =
                            role.isCopper()
                                    || role.kind() == Role.Kind.MASK
                                    || role.kind() == Role.Kind.PASTE
                                    || role.isHoles();
                    if (reading instanceof Reading.Gerber g && pads) {
                        places.put(path, flashes(g.file()));
                    } else if (reading instanceof Reading.Drill d && role.isHoles()) {
                        places.put(path, middles(d.file()));
                    }
                });
        return places;
    }

    private static List<Pt> flashes(GerberFile file) {
        List<Pt> at = new ArrayList<>();
        for (Feature f : file.features()) {
            if (f instanceof Feature.Flash flash) {
                at.add(flash.at());
            }
        }
        return at;
    }

    private static List<Pt> middles(DrillFile file) {
        return file.holes().stream().map(Hole::middle).toList();
    }

    private SourceFile proposal(String path, Reading reading) {
        if (reading instanceof Reading.Gerber g) {
            return gerber(path, g.file());
        }
        if (reading instanceof Reading.Drawn d) {
            Drawing drawing = d.drawing();
            String evidence =
                    "a drawing of " + drawing.segments().size() + " pieces, " + drawing.size();
            return new SourceFile(path, Role.OUTLINE, evidence, 0.7, false)
                    .withScale(drawing.unit(), drawing.unitStated());
        }
        if (reading instanceof Reading.Nets n) {
            var netlist = n.result().netlist();
            String evidence =
                    netlist.points().size()
                            + " test records naming "
                            + netlist.netCount()
                            + " nets";
            return new SourceFile(path, Role.NETLIST, evidence, 0.98, false);
        }
        if (reading instanceof Reading.Parts p) {
            String evidence =
                    "a table with a designator column, " + p.result().parts().size() + " parts";
            return new SourceFile(path, Role.PARTS_LIST, evidence, 0.95, false);
        }
        if (reading instanceof Reading.Placements p) {
            String evidence =
                    "a table with designator, x and y columns, "
                            + p.result().parts().size()
                            + " parts";
            return new SourceFile(path, Role.PLACEMENT, evidence, 0.95, false);
        }
        return new SourceFile(path, Role.UNKNOWN, "no reader knows its content", 0, false);
    }

    private SourceFile gerber(String path, GerberFile file) {
        Optional<Role> stated = file.fileFunction().flatMap(FileFunction::role);
        if (stated.isPresent()) {
            String says = "the file says " + file.fileFunction().orElseThrow().replace(",", ", ");
            return new SourceFile(path, stated.get(), says, 0.98, false);
        }
        if (!file.components().isEmpty()) {
            String says = "a component layer that places " + file.components().size() + " parts";
            return new SourceFile(path, Role.PLACEMENT, says, 0.97, false);
        }
        if (file.fileFunction().isPresent()) {
            String says =
                    "the file says "
                            + file.fileFunction().get().replace(",", ", ")
                            + ", which is no picture of the board itself";
            return new SourceFile(path, Role.UNKNOWN, says, 0.9, false);
        }
        PictureFacts f = facts.get(path);
        List<String> evidence = new ArrayList<>();
        Guess guess = kindOf(f, evidence);
        NameHints name = NameHints.of(path);
        double confidence = guess.confidence();
        Role.Kind kind = guess.kind();
        if (name.isInner() && kind != Role.Kind.OUTLINE && kind != Role.Kind.COPPER) {
            // Whatever its pads look like: only copper lies inside a board.
            kind = Role.Kind.COPPER;
            evidence.add("its name says it lies inside the board");
            confidence = 0.6;
        } else if (name.kind().isPresent()) {
            if (name.kind().get() == kind) {
                confidence = Math.min(0.95, confidence + 0.2);
                evidence.add("its name agrees");
            } else if (confidence < 0.6) {
                kind = name.kind().get();
                evidence.add("its name says " + kind.name().toLowerCase(Locale.ROOT));
                confidence = 0.6;
            } else {
                evidence.add(
                        "though its name says "
                                + name.kind().get().name().toLowerCase(Locale.ROOT));
                confidence -= 0.2;
            }
        }
        if (kind == Role.Kind.OUTLINE || kind == Role.Kind.UNKNOWN) {
            Role role = kind == Role.Kind.OUTLINE ? Role.OUTLINE : Role.UNKNOWN;
            return new SourceFile(path, role, String.join("; ", evidence), confidence, false);
        }
        return sided(path, kind, f, name, evidence, confidence);
    }

    private record Guess(Role.Kind kind, double confidence) {}

    private Guess kindOf(PictureFacts f, List<String> evidence) {
        if (f.closed()) {
            evidence.add("thin strokes that close to one contour around everything");
            return new Guess(Role.Kind.OUTLINE, 0.8);
        }
        double hits = f.hits(holes);
        String counts = f.flashCount() + " flashes, " + f.strokeCount() + " strokes";
        if (f.flashCount() + f.strokeCount() + f.regionCount() == 0) {
            evidence.add("an empty picture");
            return new Guess(Role.Kind.UNKNOWN, 0.1);
        }
        evidence.add(counts);
        if (f.share() > 0.9 && !holes.isEmpty()) {
            evidence.add(percent(hits) + " of the holes lie in them");
            return hits > 0.5 ? new Guess(Role.Kind.MASK, 0.6) : new Guess(Role.Kind.PASTE, 0.6);
        }
        if (hits > 0.6) {
            evidence.add(percent(hits) + " of the holes lie in its pads, joined by tracks");
            return new Guess(Role.Kind.COPPER, 0.75);
        }
        if (f.share() < 0.3 && hits < 0.3) {
            evidence.add("hardly any pads");
            return new Guess(Role.Kind.SILK, 0.5);
        }
        return new Guess(Role.Kind.COPPER, 0.3);
    }

    private SourceFile sided(
            String path,
            Role.Kind kind,
            PictureFacts f,
            NameHints name,
            List<String> evidence,
            double confidence) {
        double top = sideHits(f, Side.TOP);
        double bottom = sideHits(f, Side.BOTTOM);
        Side side;
        double sure = confidence;
        if (kind != Role.Kind.SILK && Math.abs(top - bottom) > 0.5) {
            side = top > bottom ? Side.TOP : Side.BOTTOM;
            evidence.add("its pads are the netlist's " + side.word() + " pads");
            sure = Math.min(0.97, sure + 0.1);
        } else if (name.side().isPresent()) {
            side = name.side().get();
            evidence.add("its name says " + side.word());
        } else {
            side = Side.TOP;
            evidence.add("nothing tells the side, so top");
            sure = Math.min(sure, 0.3);
        }
        return new SourceFile(path, Role.of(kind, side), String.join("; ", evidence), sure, false);
    }

    private double sideHits(PictureFacts f, Side side) {
        List<Pt> places =
                netPoints.stream()
                        .filter(p -> p.access().equals(Optional.of(side)))
                        .map(Netlist.Point::at)
                        .toList();
        return f.hits(places);
    }

    private SourceFile drill(String path, DrillFile file, Map<String, SourceFile> proposed) {
        int count = file.holes().size();
        if (file.mixed()) {
            String evidence = count + " holes; its tools are marked plated and unplated";
            return scaled(path, Role.MIXED_HOLES, evidence, 0.9, file);
        }
        if (file.plated().isPresent()) {
            Role role = file.plated().get() ? Role.PLATED_HOLES : Role.UNPLATED_HOLES;
            String evidence =
                    count
                            + " holes; the file says "
                            + (file.plated().get() ? "plated" : "unplated");
            return scaled(path, role, evidence, 0.97, file);
        }
        List<Pt> places = middles(file);
        double inPads = 0;
        int ringed = 0;
        int copper = 0;
        for (SourceFile f : proposed.values()) {
            PictureFacts picture = facts.get(f.path());
            if (f.role().isCopper() && picture != null) {
                copper++;
                inPads = Math.max(inPads, picture.hits(places));
                long rings = file.holes().stream().filter(picture::hasRing).count();
                ringed += rings > 0.6 * count ? 1 : 0;
            }
        }
        String evidence =
                count
                        + " holes, "
                        + percent(inPads)
                        + " of them in pads of the copper, with rings on "
                        + ringed
                        + " of "
                        + copper
                        + " copper layers";
        Optional<Boolean> named = NameHints.of(path).plated();
        if (named.isPresent()) {
            evidence += "; its name says " + (named.get() ? "plated" : "unplated");
        }
        boolean plated = inPads > 0.5 || (inPads > 0.2 && named.orElse(true));
        boolean agrees = named.isEmpty() || named.get() == plated;
        if (!agrees && ringed < 2) {
            // Rings on one layer alone can be soldered without plating; then the name may be right.
            plated = named.get();
        }
        Role role = plated ? Role.PLATED_HOLES : Role.UNPLATED_HOLES;
        double confidence = agrees ? (named.isPresent() ? 0.9 : 0.7) : 0.45;
        return scaled(path, role, evidence, confidence, file);
    }

    private static SourceFile scaled(
            String path, Role role, String evidence, double confidence, DrillFile file) {
        return new SourceFile(path, role, evidence, confidence, false)
                .withScale(file.format().words(), file.formatStated());
    }

    /** How well a drill file's holes fall on flashed pads; tells a right number format. */
    double holesOnPads(DrillFile file) {
        List<Pt> places = middles(file);
        return facts.values().stream().mapToDouble(f -> f.hits(places)).max().orElse(0);
    }

    private static String percent(double share) {
        return Math.round(share * 100) + " %";
    }
}
