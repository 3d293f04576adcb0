package dev.lastcut.core.catalogue;

import dev.lastcut.core.value.Arithmetic;
import dev.lastcut.core.value.Quantity;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What a part must do: "supplies at least 70 mA", "forward voltage at most 0.5 V", with the amount
 * as a number or as arithmetic.
 *
 * @param text as it was written
 * @param named the parameters its words can mean
 * @param least true for at least, false for at most
 */
public record Need(String text, List<Parameter> named, boolean least, Quantity amount) {
    private static final Pattern SENTENCE =
            Pattern.compile(
                    "(?<words>[\\p{L} -]+?)\\s*(?<how>at least|at most|>=|<=|≥|≤|>|<|no less than"
                            + "|no more than|minimum|maximum)\\s*(?<amount>.+)",
                    Pattern.CASE_INSENSITIVE);
    private static final List<String> LEAST =
            List.of("at least", ">=", "≥", ">", "no less than", "minimum");

    public Need {
        named = List.copyOf(named);
    }

    /** Whether a part does it. */
    public enum Answer {
        MET,
        UNPROVEN,
        NOT_MET
    }

    /** An answer, and what it rests on. */
    public record Proof(Answer answer, String why) {}

    /**
     * @throws IllegalArgumentException when it cannot be read; the sentence says what and where
     */
    public static Need parse(String text) {
        Matcher m = SENTENCE.matcher(text.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException(
                    "'"
                            + text.strip()
                            + "' is no need: write what, at least or at most, and how much, such as"
                            + " 'supplies at least 70 mA'");
        }
        String words = m.group("words").strip().toLowerCase(Locale.ROOT);
        List<Parameter> named =
                Arrays.stream(Parameter.values()).filter(p -> p.isNamed(words)).toList();
        if (named.isEmpty()) {
            throw new IllegalArgumentException(
                    "nobody knows '"
                            + words
                            + "'; known are "
                            + Arrays.stream(Parameter.values())
                                    .filter(p -> p.kind() != Parameter.Kind.VALUE)
                                    .map(Parameter::title)
                                    .sorted()
                                    .collect(Collectors.joining(", ")));
        }
        return new Need(
                text.strip(),
                named,
                LEAST.contains(m.group("how").toLowerCase(Locale.ROOT)),
                Arithmetic.value(m.group("amount")));
    }

    /**
     * Whether a part's data sheet proves it. What a number was tested at is not what the part can
     * do, and a typical number is no promise: neither proves anything.
     */
    public Proof of(CataloguePart part) {
        Optional<Parameter> stated =
                named.stream().filter(p -> part.value(p.id()).isPresent()).findFirst();
        if (stated.isEmpty()) {
            return new Proof(Answer.UNPROVEN, missing(part));
        }
        Parameter p = stated.get();
        DataValue v = part.value(p.id()).orElseThrow();
        Optional<Quantity> min = v.min().flatMap(v::quantity);
        Optional<Quantity> max = v.max().flatMap(v::quantity);
        boolean alike =
                min.or(() -> max)
                        .or(() -> v.typ().flatMap(v::quantity))
                        .filter(amount::isAlike)
                        .isPresent();
        if (!alike) {
            return new Proof(
                    Answer.UNPROVEN,
                    p.title()
                            + " is stated in "
                            + unit(v)
                            + ", which "
                            + amount.words()
                            + " is not");
        }
        boolean rating = p.kind() == Parameter.Kind.RATING;
        Optional<Quantity> proof = least ? (rating ? max.or(() -> min) : min) : max;
        String stating = p.title() + " " + v.words();
        if (proof.isPresent()) {
            boolean met =
                    least
                            ? proof.get().value() >= amount.value() * (1 - 1e-12)
                            : proof.get().value() <= amount.value() * (1 + 1e-12);
            return new Proof(met ? Answer.MET : Answer.NOT_MET, stating);
        }
        Optional<Quantity> other = least ? max : min;
        boolean never =
                other.isPresent()
                        && (least
                                ? other.get().value() < amount.value()
                                : other.get().value() > amount.value());
        return new Proof(
                never ? Answer.NOT_MET : Answer.UNPROVEN,
                never ? stating : stating + ": no guaranteed bound");
    }

    private static String unit(DataValue v) {
        return v.unit().isEmpty() ? "plain numbers" : v.unit();
    }

    /** What was tested with such an amount is told, as it is easily taken for a promise. */
    private String missing(CataloguePart part) {
        String what = named.stream().map(Parameter::title).collect(Collectors.joining(" or "));
        return part.values().entrySet().stream()
                .filter(e -> !e.getValue().condition().isEmpty())
                .filter(e -> mentions(e.getValue().condition()))
                .findFirst()
                .map(
                        e ->
                                what
                                        + " is not stated; "
                                        + Parameter.title(e.getKey())
                                        + " was tested "
                                        + e.getValue().condition()
                                        + ", which does not promise it")
                .orElse(what + " is not stated");
    }

    private boolean mentions(String condition) {
        Matcher m = Pattern.compile("([\\d.]+)\\s*([pnuµmkM]?[A-Za-zΩ°]+)").matcher(condition);
        while (m.find()) {
            Optional<Quantity> q = Quantity.of(Double.parseDouble(m.group(1)), m.group(2));
            if (q.filter(amount::isAlike).isPresent()) {
                return true;
            }
        }
        return false;
    }
}
