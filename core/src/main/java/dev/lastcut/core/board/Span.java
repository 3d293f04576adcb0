package dev.lastcut.core.board;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The copper layers a hole passes, counted from 1 at the top; {@link #THROUGH} passes all. Blind
 * holes end inside the board, buried ones begin there too.
 */
public record Span(int first, int last) {
    public static final Span THROUGH = new Span(0, 0);

    /** {@code Plated,1,2,Blind} (Gerber and XNC specifications, "File functions"). */
    private static final Pattern FUNCTION =
            Pattern.compile("(?i)(?:Non)?Plated,(\\d{1,2}),(\\d{1,2}),(Blind|Buried)\\b.*");

    public boolean isThrough() {
        return first == 0;
    }

    /** Whether it passes the copper layer with this index from the top. */
    public boolean passes(int copperIndex) {
        return isThrough() || (copperIndex + 1 >= first && copperIndex + 1 <= last);
    }

    /** The span a file function names; through the board where it names no blind or buried one. */
    public static Span of(String fileFunction) {
        Matcher m = FUNCTION.matcher(fileFunction.strip());
        if (!m.matches()) {
            return THROUGH;
        }
        int a = Integer.parseInt(m.group(1));
        int b = Integer.parseInt(m.group(2));
        return a < 1 || b < 1 ? THROUGH : new Span(Math.min(a, b), Math.max(a, b));
    }
}
