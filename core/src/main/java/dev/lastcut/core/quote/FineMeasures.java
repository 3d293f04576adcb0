package dev.lastcut.core.quote;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.FineSurcharge;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.OwnMeasure;
import dev.lastcut.core.check.design.DesignClass.Smallest;
import dev.lastcut.core.check.design.DesignNumbers;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;

/** The smallest a board has of what a shop's finer work is measured by. */
public final class FineMeasures {
    private FineMeasures() {}

    /** Nothing, and nothing measured, for a shop that asks no more for finer work. */
    public static Map<LimitKey, OwnMeasure> of(BoardGeometry geometry, CapabilitySheet sheet) {
        Map<LimitKey, OwnMeasure> all = new EnumMap<>(LimitKey.class);
        for (FineSurcharge f : sheet.price().fine()) {
            Smallest s = DesignNumbers.of(geometry).get(f.limit());
            if (s != null) {
                all.put(f.limit(), new OwnMeasure(s.measure().nm(), where(s)));
            }
        }
        return all;
    }

    private static String where(Smallest s) {
        Pt at = s.measure().from();
        return String.format(
                Locale.ROOT,
                "at (%.2f, %.2f) mm, %s",
                Length.toMm(at.x()),
                Length.toMm(at.y()),
                s.layer());
    }
}
