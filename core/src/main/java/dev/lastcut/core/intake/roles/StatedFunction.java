package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What a file says of itself by its attribute, and what the job file says of it. */
final class StatedFunction implements Witness {
    private static final double BY_ITSELF = 30;
    private static final double BY_THE_JOB = 14;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        for (Picture p : pack.pictures()) {
            pack.ownFunction(p.path())
                    .ifPresent(f -> say(p.path(), f, "the file says ", BY_ITSELF, testimony));
            pack.jobFunction(p.path())
                    .ifPresent(f -> say(p.path(), f, "the job file says ", BY_THE_JOB, testimony));
        }
    }

    /** Whether every picture says by its attribute what it is, and no two the same. */
    static boolean settles(PackFacts pack, List<Picture> pictures) {
        Set<Role> seen = new HashSet<>();
        for (Picture p : pictures) {
            Optional<String> function = pack.ownFunction(p.path());
            if (function.isEmpty()) {
                return false;
            }
            Optional<Role> role = function.flatMap(FileFunction::role);
            if (role.isPresent() && role.get().isSingle() && !seen.add(role.get())) {
                return false;
            }
        }
        return true;
    }

    private static void say(
            String path, String function, String who, double bits, Testimony testimony) {
        Optional<Role> role = FileFunction.role(function);
        String words = who + function.replace(",", ", ");
        if (role.isPresent()) {
            Role stated = role.get();
            testimony.say(path, words, r -> r.equals(stated) ? bits : -bits);
        } else {
            testimony.say(
                    path,
                    words + ", which is no picture of the board itself",
                    r -> r.equals(Role.NOT_PART) ? bits : -bits);
        }
    }
}
