package dev.lastcut.core.intake;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.formats.drill.DrillFile;
import dev.lastcut.core.formats.gerber.GerberFile;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

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
        readings.forEach((path, reading) -> result.put(path, proposal(path, reading)));
        return result;
    }

    private SourceFile proposal(String path, Reading reading) {
        if (reading instanceof Reading.Gerber g) {
            return gerber(path, g.file());
        }
        if (reading instanceof Reading.Drill d) {
            return drill(path, d.file());
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
        PictureFacts f = facts.get(path);
        List<String> evidence = new ArrayList<>();
        Guess guess = kindOf(f, evidence);
        NameHints name = NameHints.of(path);
        double confidence = guess.confidence();
        Role.Kind kind = guess.kind();
        if (name.kind().isPresent()) {
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

    private SourceFile drill(String path, DrillFile file) {
        int count = file.holes().size();
        if (file.mixed()) {
            String evidence = count + " holes; its tools are marked plated and unplated";
            return new SourceFile(path, Role.MIXED_HOLES, evidence, 0.9, false);
        }
        if (file.plated().isPresent()) {
            Role role = file.plated().get() ? Role.PLATED_HOLES : Role.UNPLATED_HOLES;
            String evidence =
                    count
                            + " holes; the file says "
                            + (file.plated().get() ? "plated" : "unplated");
            return new SourceFile(path, role, evidence, 0.97, false);
        }
        List<Pt> places = file.holes().stream().map(h -> h.middle()).toList();
        double inPads =
                facts.values().stream()
                        .filter(f -> f.strokeCount() > 0)
                        .mapToDouble(f -> f.hits(places))
                        .max()
                        .orElse(0);
        String evidence = count + " holes, " + percent(inPads) + " of them in pads of the copper";
        Optional<Boolean> named = NameHints.of(path).plated();
        if (named.isPresent()) {
            evidence += "; its name says " + (named.get() ? "plated" : "unplated");
        }
        boolean plated = inPads > 0.5 || (inPads > 0.2 && named.orElse(true));
        boolean agrees = named.isEmpty() || named.get() == plated;
        if (!agrees && named.isPresent()) {
            // A mill's file often calls every hole plain: pads decide what the copper needs.
            plated = named.get();
        }
        Role role = plated ? Role.PLATED_HOLES : Role.UNPLATED_HOLES;
        double confidence = agrees ? (named.isPresent() ? 0.9 : 0.7) : 0.5;
        return new SourceFile(path, role, evidence, confidence, false);
    }

    /** How well a drill file's holes fall on flashed pads; tells a right number format. */
    double holesOnPads(DrillFile file) {
        List<Pt> places = file.holes().stream().map(h -> h.middle()).toList();
        return facts.values().stream().mapToDouble(f -> f.hits(places)).max().orElse(0);
    }

    private static String percent(double share) {
        return Math.round(share * 100) + " %";
    }
}
