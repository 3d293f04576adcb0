package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.formats.drill.DrillFile;
import dev.lastcut.core.intake.naming.Hints;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * Whether the holes of a drill file are plated: what the file says, else its name, held against the
 * copper. Where nothing says it, each hole is judged by itself: one without copper round it on any
 * layer is unplated.
 */
public final class HoleRoles {
    private final PackFacts pack;
    private final List<Picture> copper = new ArrayList<>();

    HoleRoles(PackFacts pack, Collection<SourceFile> files) {
        this.pack = pack;
        for (SourceFile f : files) {
            Picture p = pack.picture(f.path());
            if (p != null && f.role().isCopper()) {
                copper.add(p);
            }
        }
    }

    /** Holes of which nothing states the plating: plated are those with copper round them. */
    public static List<Hole> judged(
            PackFacts pack, Collection<SourceFile> files, List<Hole> holes) {
        HoleRoles roles = new HoleRoles(pack, files);
        return holes.stream().map(h -> h.withPlating(roles.hasCopper(h))).toList();
    }

    SourceFile propose(String path, DrillFile file) {
        return role(path, file).withScale(file.format().words(), file.formatStated());
    }

    private SourceFile role(String path, DrillFile file) {
        List<Hole> all = file.places();
        int count = all.size();
        String holes = count + (count == 1 ? " hole" : " holes");
        if (file.mixed()) {
            String evidence = holes + "; its tools are marked plated and unplated";
            return new SourceFile(path, Role.MIXED_HOLES, evidence, 0.9, false);
        }
        if (file.plated().isPresent()) {
            boolean plated = file.plated().get();
            String says = holes + "; the file says " + (plated ? "plated" : "unplated");
            return new SourceFile(path, role(plated), says, 0.97, false);
        }
        long ringed = all.stream().filter(this::hasCopper).count();
        String seen = holes + ", " + ringed + " of them with copper round them";
        Hints name = pack.name(path);
        Optional<Boolean> named = name.plated().or(() -> pack.remark(path).plated());
        if (named.isPresent()) {
            return named(path, seen, named.get(), count == 0 ? 1 : (double) ringed / count);
        }
        if (copper.isEmpty()) {
            String evidence = holes + "; there is no copper to hold them against";
            return new SourceFile(path, Role.PLATED_HOLES, evidence, 0.6, false);
        }
        if (ringed > 0 && ringed < count) {
            String evidence =
                    seen
                            + "; nothing states the plating, so the "
                            + (count - ringed)
                            + " without copper are unplated";
            return new SourceFile(path, Role.MIXED_HOLES, evidence, 0.9, false);
        }
        return new SourceFile(path, role(ringed > 0), seen, 0.9, false);
    }

    private SourceFile named(String path, String seen, boolean plated, double ringed) {
        String evidence = seen + "; its name says " + (plated ? "plated" : "unplated");
        SourceFile f = new SourceFile(path, role(plated), evidence, 0.9, false);
        boolean agrees = copper.isEmpty() || (plated ? ringed > 0.2 : ringed < 0.8);
        if (agrees || copper.size() < 2 && !plated) {
            // Rings on one layer alone can be soldered without plating; then the name is right.
            return f;
        }
        String open =
                plated
                        ? "its name says plated, but hardly any hole has copper round it"
                        : "its name says unplated, but its holes have copper round them";
        return f.withRole(f.role(), evidence, 0.45, false)
                .doubted(new Doubt(Doubt.Kind.ROLE, open));
    }

    /** Whether any copper layer has a ring round a hole. */
    boolean hasCopper(Hole h) {
        return copper.stream().anyMatch(p -> p.hasRing(h.middle(), h.diameter()));
    }

    private static Role role(boolean plated) {
        return plated ? Role.PLATED_HOLES : Role.UNPLATED_HOLES;
    }
}
