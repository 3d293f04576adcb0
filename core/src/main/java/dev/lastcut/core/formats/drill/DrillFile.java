package dev.lastcut.core.formats.drill;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem;
import java.util.List;
import java.util.Optional;

/**
 * What a drill file holds.
 *
 * @param holes with {@code plated} as the file says per tool, or true where it says nothing
 * @param plated what the file says of itself as a whole; empty when it says nothing
 * @param formatStated false when neither unit nor number format could be found in the file and the
 *     coordinates carry no decimal point
 * @param stepNm the finest step of its coordinates
 * @param remarks its comments, the first few
 * @param mixed true when the file marks some tools as plated and others as not
 */
public record DrillFile(
        List<Hole> holes,
        Optional<Boolean> plated,
        DrillFormat format,
        boolean formatStated,
        double stepNm,
        List<String> remarks,
        boolean mixed,
        List<Problem> problems,
        boolean looksLikeDrill) {
    public DrillFile {
        holes = List.copyOf(holes);
        remarks = List.copyOf(remarks);
        problems = List.copyOf(problems);
    }

    /** The same file with its holes elsewhere. */
    public DrillFile withHoles(List<Hole> moved) {
        return new DrillFile(
                moved,
                plated,
                format,
                formatStated,
                stepNm,
                remarks,
                mixed,
                problems,
                looksLikeDrill);
    }
}
