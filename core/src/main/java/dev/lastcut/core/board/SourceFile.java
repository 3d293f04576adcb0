package dev.lastcut.core.board;

import java.util.Optional;

/**
 * A file of the pack and what it was taken for.
 *
 * @param evidence why, in a sentence
 * @param confidence 0 to 1; 1 where the file or the user says so
 * @param chosen true when the user set the role
 * @param scale the number format or unit it was read with, in words; empty where that is no matter
 * @param scaleStated false when the file does not say so itself
 * @param applied how the user had its content moved; empty when as it is
 * @param suggested how its content should be moved to fit the other files; empty when it fits
 */
public record SourceFile(
        String path,
        Role role,
        String evidence,
        double confidence,
        boolean chosen,
        String scale,
        boolean scaleStated,
        Optional<Correction> applied,
        Optional<Correction> suggested) {

    public SourceFile(String path, Role role, String evidence, double confidence, boolean chosen) {
        this(
                path,
                role,
                evidence,
                confidence,
                chosen,
                "",
                true,
                Optional.empty(),
                Optional.empty());
    }

    public SourceFile withRole(Role newRole, String why, double sure, boolean byUser) {
        return new SourceFile(
                path, newRole, why, sure, byUser, scale, scaleStated, applied, suggested);
    }

    public SourceFile withScale(String words, boolean stated) {
        return new SourceFile(
                path, role, evidence, confidence, chosen, words, stated, applied, suggested);
    }

    public SourceFile moved(Optional<Correction> done, Optional<Correction> wanted) {
        return new SourceFile(
                path, role, evidence, confidence, chosen, scale, scaleStated, done, wanted);
    }
}
