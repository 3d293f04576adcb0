package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.intake.roles.Remembered;
import dev.lastcut.server.store.NamingStore;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** What files of earlier packs were said to be, by what their names have in common. */
@Component
class Names {
    private final NamingStore store;

    Names(NamingStore store) {
        this.store = store;
    }

    Remembered known() {
        Map<String, Role> roles = new HashMap<>();
        store.all().forEach((s, id) -> Role.parse(id).ifPresent(r -> roles.put(s, r)));
        return new Remembered(roles);
    }

    /**
     * Keeps for packs to come what the pictures of a board are, by their names. Only what is not in
     * doubt is kept, so that a pack half answered teaches nothing wrong.
     */
    void learn(Board board) {
        List<SourceFile> pictures =
                board.files().stream().filter(f -> f.role().isPicture()).toList();
        Map<String, String> signatures =
                Remembered.signatures(pictures.stream().map(SourceFile::path).toList());
        Map<String, String> roles = new HashMap<>();
        pictures.stream()
                .filter(f -> f.doubt().isEmpty())
                .forEach(f -> roles.put(signatures.get(f.path()), f.role().id()));
        store.put(roles, JobService.time());
    }
}
