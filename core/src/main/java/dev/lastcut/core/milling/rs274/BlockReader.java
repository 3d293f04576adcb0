package dev.lastcut.core.milling.rs274;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Reads one line: optional block delete, line number, words, parameter settings, comments (NISTIR
 * 6556, section 3.3).
 */
final class BlockReader {
    private static final int LONGEST = 256;
    private static final String LETTERS = "ABCDFHIJKLPQRSTXYZ";

    /** The report allows line numbers up to 99999. */
    private static final double MOST_LINE_NUMBER = 99_999;

    private static final int MOST_M = 4;

    private final String text;
    private final int line;
    private final Parameters parameters;
    private int at;

    private BlockReader(String text, int line, Parameters parameters) {
        this.text = text;
        this.line = line;
        this.parameters = parameters;
    }

    /** Null when the line begins with a slash: it is skipped. */
    static Block read(String raw, int line, Parameters parameters) throws ProgramError {
        if (raw.length() > LONGEST) {
            throw new ProgramError(line, "the line is longer than " + LONGEST + " characters");
        }
        String text = withoutComments(raw, line);
        if (text.equals("%")) {
            return new Block(line, Map.of(), List.of(), List.of(), Map.of(), true);
        }
        if (text.startsWith("/")) {
            return null;
        }
        return new BlockReader(text, line, parameters).block();
    }

    /** White space may stand anywhere outside comments and means nothing; case means nothing. */
    private static String withoutComments(String raw, int line) throws ProgramError {
        StringBuilder kept = new StringBuilder();
        boolean inside = false;
        for (int i = 0; i < raw.length(); i++) {
            char c = raw.charAt(i);
            if (c == '(') {
                if (inside) {
                    throw new ProgramError(line, "a comment within a comment");
                }
                inside = true;
            } else if (c == ')') {
                if (!inside) {
                    throw new ProgramError(line, "a comment closes that was not opened");
                }
                inside = false;
            } else if (!inside && !Character.isWhitespace(c)) {
                kept.append(c);
            }
        }
        if (inside) {
            throw new ProgramError(line, "a comment is not closed");
        }
        return kept.toString().toUpperCase(Locale.ROOT);
    }

    private ProgramError error(String sentence) {
        return new ProgramError(line, sentence);
    }

    private Block block() throws ProgramError {
        Map<Character, Double> words = new HashMap<>();
        List<Integer> gCodes = new ArrayList<>();
        List<Integer> mCodes = new ArrayList<>();
        Map<Integer, Double> settings = new LinkedHashMap<>();
        if (at < text.length() && text.charAt(at) == 'N') {
            lineNumber();
        }
        while (at < text.length()) {
            char letter = text.charAt(at++);
            if (letter == '#') {
                double index = value();
                if (at >= text.length() || text.charAt(at++) != '=') {
                    throw error("an equal sign is missing after #");
                }
                double value = value();
                parameters.get(line, index);
                settings.put((int) Math.round(index), value);
            } else if (letter == 'G') {
                double g = value();
                long tenfold = Math.round(g * 10);
                if (Math.abs(g * 10 - tenfold) > 1e-4 || g < 0) {
                    throw error("there is no G code " + g);
                }
                gCodes.add((int) Math.min(tenfold, 100_000));
            } else if (letter == 'M') {
                mCodes.add((int) Math.min(whole('M', value()), 100_000));
                if (mCodes.size() > MOST_M) {
                    throw error("more than four M words in one line");
                }
            } else if (LETTERS.indexOf(letter) >= 0) {
                if (words.put(letter, value()) != null) {
                    throw error("two " + letter + " words in one line");
                }
            } else {
                throw error("'" + letter + "' begins no word");
            }
        }
        return new Block(line, words, gCodes, mCodes, settings, false);
    }

    private void lineNumber() throws ProgramError {
        at++;
        int from = at;
        while (at < text.length() && Character.isDigit(text.charAt(at))) {
            at++;
        }
        if (at == from || at - from > 9) {
            throw error("N needs a whole number");
        }
        if (Double.parseDouble(text.substring(from, at)) > MOST_LINE_NUMBER) {
            throw error("a line number is above 99999");
        }
    }

    private long whole(char letter, double v) throws ProgramError {
        long n = Math.round(v);
        if (Math.abs(v - n) > 1e-4 || n < 0) {
            throw error(letter + " needs a whole number from 0, not " + v);
        }
        return n;
    }

    private double value() throws ProgramError {
        Expression e = new Expression(text, at, line, parameters);
        double v = e.value();
        at = e.at();
        return v;
    }
}
