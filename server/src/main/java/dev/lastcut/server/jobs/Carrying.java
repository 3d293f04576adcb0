package dev.lastcut.server.jobs;

import dev.lastcut.core.intake.Pack;
import dev.lastcut.server.store.JobStore.StoredFile;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Carries what was decided about the files of a revision over to the next: to the file of the same
 * path, else of the same name in another folder, else of the same name but for its numbers.
 */
final class Carrying {
    private Carrying() {}

    /** The decisions as they apply to the new pack's files; files without any are left out. */
    static List<StoredFile> over(List<StoredFile> before, Pack pack) {
        List<StoredFile> kept = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (StoredFile old : before) {
            boolean decided =
                    old.role().isPresent()
                            || old.correction().isPresent()
                            || old.format().isPresent()
                            || old.unitNm().isPresent();
            if (decided) {
                partner(old.path(), pack)
                        .filter(taken::add)
                        .ifPresent(path -> kept.add(as(path, old)));
            }
        }
        return kept;
    }

    private static StoredFile as(String path, StoredFile old) {
        return new StoredFile(path, "", old.role(), old.correction(), old.format(), old.unitNm());
    }

    private static Optional<String> partner(String path, Pack pack) {
        return only(pack, p -> p.equals(path))
                .or(() -> only(pack, p -> leaf(p).equals(leaf(path))))
                .or(() -> only(pack, p -> unnumbered(p).equals(unnumbered(path))));
    }

    private static Optional<String> only(Pack pack, Predicate<String> fits) {
        List<String> found = pack.files().stream().map(Pack.PackFile::path).filter(fits).toList();
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }

    private static String leaf(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static String unnumbered(String path) {
        return leaf(path).toLowerCase(Locale.ROOT).replaceAll("\\d+", "#");
    }
}
