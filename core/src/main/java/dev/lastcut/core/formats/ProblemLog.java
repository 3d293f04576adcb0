package dev.lastcut.core.formats;

import dev.lastcut.core.board.Problem;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Collects the problems of one file, keeping at most {@link #MOST} of each code. */
public final class ProblemLog {
    public static final int MOST = 50;

    private final String file;
    private final List<Problem> problems = new ArrayList<>();
    private final Map<Problem.Code, Integer> counts = new EnumMap<>(Problem.Code.class);

    public ProblemLog(String file) {
        this.file = file;
    }

    public String file() {
        return file;
    }

    public void add(Problem.Code code, int line, String text, String action) {
        int count = counts.merge(code, 1, Integer::sum);
        if (count <= MOST) {
            problems.add(new Problem(code, file, line, shorten(text), action));
        }
    }

    /** The problems in the order met; a last one for each code that was cut off. */
    public List<Problem> problems() {
        List<Problem> all = new ArrayList<>(problems);
        counts.forEach(
                (code, count) -> {
                    if (count > MOST) {
                        String more = (count - MOST) + " more problems of the same kind";
                        all.add(new Problem(code, file, 0, more, "not listed one by one"));
                    }
                });
        return all;
    }

    private static String shorten(String text) {
        return text.length() <= 300 ? text : text.substring(0, 300) + "…";
    }
}
