package dev.lastcut.core.formats.table;

import java.util.Locale;
import java.util.Optional;

/** What a column of a parts list or placement table holds. */
public enum ColumnKind {
    DESIGNATOR,
    VALUE,
    FOOTPRINT,
    QUANTITY,
    /** Its marks say which parts are not fitted. */
    NOT_FITTED,
    /** Its marks say which parts are fitted. */
    FITTED,
    MANUFACTURER,
    PART_NUMBER,
    DESCRIPTION,
    X,
    Y,
    ROTATION,
    SIDE,
    /** Nothing that is used. */
    OTHER;

    /** The stable id used in tickets and on the wire, such as {@code not-fitted}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The kind with this id, or empty if there is none such. */
    public static Optional<ColumnKind> parse(String id) {
        for (ColumnKind k : values()) {
            if (k.id().equals(id)) {
                return Optional.of(k);
            }
        }
        return Optional.empty();
    }
}
