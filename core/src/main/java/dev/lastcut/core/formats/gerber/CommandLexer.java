package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** Text to commands: words end at an asterisk, extended commands stand between percent signs. */
final class CommandLexer {
    /** A word longer than this is not Gerber. */
    private static final int LONGEST_WORD = 1 << 20;

    private final String text;
    private final ProblemLog log;
    private int line = 1;
    private int at;

    CommandLexer(String text, ProblemLog log) {
        this.text = text;
        this.log = log;
    }

    void run(Consumer<Command> out) {
        boolean extended = false;
        List<String> words = new ArrayList<>();
        int extendedLine = 1;
        StringBuilder word = new StringBuilder();
        int wordLine = 1;
        while (at < text.length()) {
            char c = text.charAt(at++);
            if (c == '\n' || (c == '\r' && (at >= text.length() || text.charAt(at) != '\n'))) {
                line++;
            } else if (c == '%') {
                if (extended) {
                    leftover(word, wordLine, words);
                    out.accept(new Command(extendedLine, true, List.copyOf(words)));
                    words.clear();
                } else {
                    strayText(word, wordLine);
                    extendedLine = line;
                }
                extended = !extended;
            } else if (c == '*') {
                if (extended) {
                    words.add(word.toString());
                } else {
                    out.accept(new Command(wordLine, false, List.of(word.toString())));
                }
                word.setLength(0);
            } else if (c >= ' ' || c == '\t') {
                if (word.isEmpty()) {
                    wordLine = line;
                    if (c == ' ' || c == '\t') {
                        continue;
                    }
                }
                if (word.length() < LONGEST_WORD) {
                    word.append(c);
                }
            }
        }
        if (extended || !word.toString().isBlank()) {
            log.add(
                    Code.TRUNCATED,
                    line,
                    "the file ends in the middle of a command: '" + word + "'",
                    "the unfinished command was left out; everything before it was read");
        }
    }

    private void leftover(StringBuilder word, int wordLine, List<String> words) {
        if (!word.toString().isBlank()) {
            log.add(
                    Code.UNKNOWN_COMMAND,
                    wordLine,
                    "expected '*' before '%' after '" + word + "'",
                    "read as if the asterisk were there");
            words.add(word.toString());
        }
        word.setLength(0);
    }

    private void strayText(StringBuilder word, int wordLine) {
        if (!word.toString().isBlank()) {
            log.add(Code.UNKNOWN_COMMAND, wordLine, "expected '*' after '" + word + "'", "skipped");
        }
        word.setLength(0);
    }
}
