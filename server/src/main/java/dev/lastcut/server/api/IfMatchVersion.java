package dev.lastcut.server.api;

import java.util.Optional;

/**
 * The version of the ticket that a choice was made on, as {@code If-Match} tells it (RFC 9110):
 * {@code "7"}. Without it, or with {@code *}, the choice is made on whichever holds.
 */
final class IfMatchVersion {
    /** The header's name. */
    static final String HEADER = "If-Match";

    private IfMatchVersion() {}

    static Optional<Integer> of(String header) {
        if (header == null || header.isBlank() || header.strip().equals("*")) {
            return Optional.empty();
        }
        String number = header.strip().replaceAll("^\"|\"$", "");
        if (!number.matches("\\d{1,9}")) {
            throw new IllegalArgumentException(
                    HEADER + " holds the number of a version, not " + header);
        }
        return Optional.of(Integer.valueOf(number));
    }
}
