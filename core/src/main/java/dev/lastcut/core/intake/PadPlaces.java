package dev.lastcut.core.intake;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;

/** The places by which files of one board are laid over each other: pads, openings and holes. */
final class PadPlaces {
    /** A filled contour larger than this is an area, not a painted pad. */
    private static final double LARGEST_PAD_NM = 8_000_000;

    private PadPlaces() {}

    /** Middles of flashes and of small filled contours. */
    static List<Pt> of(List<Feature> features) {
        List<Pt> at = new ArrayList<>();
        for (Feature f : features) {
            if (f instanceof Feature.Flash flash) {
                at.add(flash.at());
            } else if (f instanceof Feature.Region region) {
                for (List<Segment> contour : region.contours()) {
                    Envelope box = new Envelope();
                    contour.forEach(s -> box.expandToInclude(s.envelope()));
                    if (Math.max(box.getWidth(), box.getHeight()) <= LARGEST_PAD_NM) {
                        at.add(Pt.of(box.centre()));
                    }
                }
            }
        }
        return at;
    }

    /** By path, of all files that have pads, openings or holes. */
    static Map<String, List<Pt>> of(Map<String, Reading> readings, Map<String, Role> roles) {
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
                        places.put(path, of(g.file().features()));
                    } else if (reading instanceof Reading.Drill d && role.isHoles()) {
                        places.put(path, d.file().holes().stream().map(Hole::middle).toList());
                    }
                });
        return places;
    }
}
