package dev.lastcut.server.report;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.review.Review;

/**
 * Something to look at before a cut.
 *
 * @param subject findings, parts, placement, polarity or stencil
 * @param says what there is to look at
 * @param of a digest of it, which a sign-off names
 * @param by who looked at it as it is; null while nobody did
 * @param lapsed who looked at it before it changed
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ReviewJson(String subject, String says, String of, String by, String lapsed) {
    public static ReviewJson of(Review r) {
        return new ReviewJson(
                r.subject().id(), r.says(), r.of(), r.by().orElse(null), r.lapsed().orElse(null));
    }
}
