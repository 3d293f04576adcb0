package dev.lastcut.core.check;

import dev.lastcut.core.capability.CapabilitySheet;

/** One check. Rules keep no state; one instance serves every board. */
public interface Rule {
    /** The id of the report format; never changes. */
    String id();

    /** For people. */
    String title();

    /** Boards with pictures, unless a rule says otherwise. */
    default boolean appliesTo(CapabilitySheet sheet) {
        return sheet.kind() != CapabilitySheet.Kind.STRIP;
    }

    Outcome run(CheckContext context);
}
