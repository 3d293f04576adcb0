package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * Bytes to commands: words end at an asterisk, extended commands stand between percent signs. Word
 * commands are handed on in place, because a layer is mostly coordinates and making a string of
 * each would cost more than reading it.
 */
final class CommandLexer {
    /** Takes the commands in the order of the file. */
    interface Sink {
        /** A word command: the bytes from {@code from} to before {@code to}, not blank at start. */
        void word(byte[] text, int from, int to, int line);

        /**
         * A word that may be a plain place and operation, such as {@code X100Y200D01*}. Returns the
         * index of its asterisk if it was one and has been carried out, else −1.
         */
        int place(byte[] text, int from, int line);

        /** The words between two percent signs, without their asterisks. */
        void extended(List<String> words, int line);
    }

    private final byte[] text;
    private final ProblemLog log;
    private int line = 1;
    private int start;
    private int wordLine = 1;
    private boolean broken;
    private final List<String> words = new ArrayList<>();
    private boolean extended;
    private int extendedLine = 1;

    CommandLexer(byte[] text, ProblemLog log) {
        this.text = text;
        this.log = log;
    }

    void run(Sink out) {
        byte[] bytes = text;
        int at = 0;
        while (at < bytes.length) {
            at = wordStart(at);
            start = at;
            wordLine = line;
            broken = false;
            int end = extended ? -1 : out.place(bytes, at, line);
            if (end >= 0) {
                at = end + 1;
                start = at;
                continue;
            }
            while (at < bytes.length) {
                byte c = bytes[at];
                if (c == '*' || c == '%') {
                    break;
                }
                if (c < ' ' && c >= 0) {
                    broken |= c != '\t';
                    newLine(at);
                }
                at++;
            }
            if (at < bytes.length && bytes[at] == '*') {
                endOfWord(at, out);
                start = ++at;
            } else if (at < bytes.length) {
                percent(at, out);
                start = ++at;
            }
        }
        if (extended || start < text.length) {
            log.add(
                    Code.TRUNCATED,
                    line,
                    "the file ends in the middle of a command: '" + string(text.length) + "'",
                    "the unfinished command was left out; everything before it was read");
        }
    }

    /** Skips blanks and line ends before a word. */
    private int wordStart(int from) {
        int at = from;
        while (at < text.length && text[at] >= 0 && text[at] <= ' ') {
            newLine(at++);
        }
        return at;
    }

    private void newLine(int at) {
        byte c = text[at];
        if (c == '\n' || (c == '\r' && (at + 1 >= text.length || text[at + 1] != '\n'))) {
            line++;
        }
    }

    private void endOfWord(int end, Sink out) {
        if (extended) {
            words.add(string(end));
        } else if (broken) {
            byte[] joined = string(end).getBytes(StandardCharsets.UTF_8);
            out.word(joined, 0, joined.length, wordLine);
        } else {
            out.word(text, start, end, wordLine);
        }
    }

    private void percent(int end, Sink out) {
        String rest = string(end).strip();
        if (extended) {
            if (!rest.isEmpty()) {
                log.add(
                        Code.UNKNOWN_COMMAND,
                        wordLine,
                        "expected '*' before '%' after '" + rest + "'",
                        "read as if the asterisk were there");
                words.add(rest);
            }
            out.extended(List.copyOf(words), extendedLine);
            words.clear();
        } else {
            if (!rest.isEmpty()) {
                log.add(
                        Code.UNKNOWN_COMMAND,
                        wordLine,
                        "expected '*' after '" + rest + "'",
                        "skipped");
            }
            extendedLine = line;
        }
        extended = !extended;
    }

    /** The word so far; a word may be broken over lines, whose ends do not belong to it. */
    private String string(int end) {
        String s = new String(text, start, Math.max(0, end - start), StandardCharsets.UTF_8);
        return broken ? s.replaceAll("[\\x00-\\x1f]", "") : s;
    }
}
