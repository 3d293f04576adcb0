package dev.lastcut.server.orders;

import java.util.List;

/**
 * An order as a desk has it.
 *
 * @param number the desk's own; empty while it has none
 * @param state {@code received}, {@code waiting}, {@code making}, {@code testing}, {@code packed},
 *     {@code shipped} or {@code withdrawn}
 * @param says what that means, in a sentence
 * @param tracking of the parcel; empty before it is shipped
 */
public record DeskOrder(
        String key,
        String number,
        String upload,
        String state,
        String says,
        List<DeskStep> history,
        List<DeskQuestion> questions,
        String tracking) {
    public static final String SHIPPED = "shipped";
    public static final String WITHDRAWN = "withdrawn";

    /** When it came to a state. */
    public record DeskStep(String state, String at) {}

    /**
     * What an engineer asks.
     *
     * @param answers what can be answered
     * @param answer what was; empty until then
     */
    public record DeskQuestion(String id, String says, List<String> answers, String answer) {}

    public boolean ended() {
        return state.equals(SHIPPED) || state.equals(WITHDRAWN);
    }

    /**
     * What is ordered of a desk.
     *
     * @param upload the SHA-256 of what was uploaded
     * @param total what was quoted; another price is not agreed to
     */
    public record Wanted(String upload, double total, String currency, String by, String note) {}

    /** An answer to a question. */
    public record Answered(String answer) {}
}
