package dev.lastcut.core.intake;

import dev.lastcut.core.intake.reading.JobFile;
import java.nio.charset.StandardCharsets;
import java.util.OptionalDouble;

/** How thick a board is to be, where the job file of its pack says so. */
public final class StatedThickness {
    private static final int HEAD = 64_000;

    private StatedThickness() {}

    /** In mm. */
    public static OptionalDouble of(Pack pack) {
        for (Pack.PackFile f : pack.files()) {
            int length = Math.min(f.content().length, HEAD);
            String head = new String(f.content(), 0, length, StandardCharsets.UTF_8);
            if (JobFile.looksLikeJob(head)) {
                return JobFile.read(f.path(), f.content()).thicknessMm();
            }
        }
        return OptionalDouble.empty();
    }
}
