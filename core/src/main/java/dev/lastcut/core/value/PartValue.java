package dev.lastcut.core.value;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What the value of a part says.
 *
 * @param text as it was written
 * @param amount what it is first of all, 4.7 kΩ; empty for words and for what nobody can read
 * @param tolerancePercent plus and minus, %
 * @param volts rated voltage, V
 * @param watts rated power, W
 * @param amps rated current, A
 * @param dielectric class of a ceramic capacitor, such as X7R; C0G for all its spellings
 * @param rest words that say something else, in lower case
 */
public record PartValue(
        String text,
        Optional<Amount> amount,
        Optional<Double> tolerancePercent,
        Optional<Double> volts,
        Optional<Double> watts,
        Optional<Double> amps,
        Optional<String> dielectric,
        String rest) {

    /** A board has few values on many parts: each is taken apart once. */
    private static final Map<Asked, PartValue> READ = new ConcurrentHashMap<>();

    private static final int MOST_KEPT = 10_000;

    private record Asked(String text, Dimension expected) {}

    /** Reads what is written of a part with this designator. */
    public static PartValue read(String text, String designator) {
        return read(new Asked(text, Dimension.of(designator)));
    }

    /** Reads what is written of a part of which nothing else is known. */
    public static PartValue read(String text) {
        return read(new Asked(text, Dimension.NONE));
    }

    private static PartValue read(Asked asked) {
        if (READ.size() >= MOST_KEPT) {
            READ.clear();
        }
        return READ.computeIfAbsent(asked, a -> new ValueReader(a.text, a.expected).read());
    }

    /** One string for all spellings of the same value, ratings included. */
    public String canonical() {
        StringBuilder all = new StringBuilder(amount.map(Amount::words).orElse(""));
        tolerancePercent.ifPresent(t -> all.append(" ±").append(t).append('%'));
        volts.ifPresent(v -> all.append(' ').append(v).append('V'));
        watts.ifPresent(w -> all.append(' ').append(w).append('W'));
        amps.ifPresent(a -> all.append(' ').append(a).append('A'));
        dielectric.ifPresent(d -> all.append(' ').append(d));
        if (!rest.isEmpty()) {
            all.append(' ').append(rest);
        }
        return all.toString().strip();
    }

    /** As it reads best: the amount in usual form with its ratings, or what was written. */
    public String words() {
        return amount.filter(a -> a.of() != Dimension.NONE).isPresent()
                ? canonical()
                : text.strip();
    }

    /**
     * True when both can be meant of one part: amounts agree where both have one, ratings are not
     * held against each other as many lists leave them out.
     */
    public boolean agrees(PartValue other) {
        if (amount.isPresent() && other.amount.isPresent()) {
            return amount.get().number().compareTo(other.amount.get().number()) == 0;
        }
        String a = letters(text);
        String b = letters(other.text);
        return a.contains(b) || b.contains(a);
    }

    private static String letters(String s) {
        return s.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
    }
}
