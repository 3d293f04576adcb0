package dev.lastcut.core.milling.rs274;

import java.util.List;
import java.util.Map;

/**
 * A line as read: its words and what it sets.
 *
 * @param words by letter; G and M are apart
 * @param gCodes tenfold, so that G38.2 is 382
 * @param settings parameters it sets, which hold from the next line on
 * @param demarcation whether it is a percent sign alone
 */
record Block(
        int line,
        Map<Character, Double> words,
        List<Integer> gCodes,
        List<Integer> mCodes,
        Map<Integer, Double> settings,
        boolean demarcation) {
    boolean has(char letter) {
        return words.containsKey(letter);
    }

    double value(char letter) {
        return words.get(letter);
    }

    double valueOr(char letter, double other) {
        return words.getOrDefault(letter, other);
    }

    boolean hasG(int code) {
        return gCodes.contains(code);
    }

    boolean hasAxis() {
        return has('X') || has('Y') || has('Z');
    }
}
