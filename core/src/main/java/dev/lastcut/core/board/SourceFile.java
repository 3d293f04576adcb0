package dev.lastcut.core.board;

import java.util.List;
import java.util.Optional;

/**
 * A file of the pack and what it was taken for.
 *
 * @param evidence what speaks for it, in words
 * @param against what speaks against it; empty where nothing does
 * @param doubt what the user must say before the board can be released
 * @param confidence 0 to 1; 1 where the file or the user says so
 * @param chosen true when the user set the role
 * @param scale the number format or unit it was read with, in words; empty where that is no matter
 * @param scaleStated false when the file does not say so itself
 * @param applied how the user had its content moved; empty when as it is
 * @param stepNm the finest step of its numbers; 0 where that is no matter
 * @param suggested how its content should be moved to fit the other files; empty when it fits
 * @param tools of a drill file, the tools whose size no file states
 */
public record SourceFile(
        String path,
        Role role,
        String evidence,
        String against,
        double confidence,
        boolean chosen,
        Optional<Doubt> doubt,
        String scale,
        boolean scaleStated,
        Optional<Correction> applied,
        Optional<Correction> suggested,
        double stepNm,
        List<UnsizedTool> tools) {

    public SourceFile {
        tools = List.copyOf(tools);
    }

    public SourceFile(String path, Role role, String evidence, double confidence, boolean chosen) {
        this(
                path,
                role,
                evidence,
                "",
                confidence,
                chosen,
                Optional.empty(),
                "",
                true,
                Optional.empty(),
                Optional.empty(),
                0,
                List.of());
    }

    public SourceFile withRole(Role newRole, String why, double sure, boolean byUser) {
        return judged(newRole, why, "", sure, byUser, Optional.empty());
    }

    public SourceFile withAgainst(String words) {
        return judged(role, evidence, words, confidence, chosen, doubt);
    }

    public SourceFile doubted(Doubt why) {
        return judged(role, evidence, against, confidence, chosen, Optional.of(why));
    }

    public SourceFile withScale(String words, boolean stated) {
        return read(words, stated, applied, suggested, stepNm, tools);
    }

    public SourceFile moved(Optional<Correction> done, Optional<Correction> wanted) {
        return read(scale, scaleStated, done, wanted, stepNm, tools);
    }

    public SourceFile withStep(double nm) {
        return read(scale, scaleStated, applied, suggested, nm, tools);
    }

    public SourceFile withTools(List<UnsizedTool> unsized) {
        return read(scale, scaleStated, applied, suggested, stepNm, unsized);
    }

    /** The same content, taken for something else. */
    private SourceFile judged(
            Role r, String why, String not, double sure, boolean byUser, Optional<Doubt> open) {
        return new SourceFile(
                path,
                r,
                why,
                not,
                sure,
                byUser,
                open,
                scale,
                scaleStated,
                applied,
                suggested,
                stepNm,
                tools);
    }

    /** The same role, its numbers read or moved otherwise. */
    private SourceFile read(
            String words,
            boolean stated,
            Optional<Correction> done,
            Optional<Correction> wanted,
            double step,
            List<UnsizedTool> unsized) {
        return new SourceFile(
                path,
                role,
                evidence,
                against,
                confidence,
                chosen,
                doubt,
                words,
                stated,
                done,
                wanted,
                step,
                unsized);
    }
}
