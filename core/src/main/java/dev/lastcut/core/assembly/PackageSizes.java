package dev.lastcut.core.assembly;

import dev.lastcut.core.catalogue.CataloguePart.Body;
import java.util.Map;
import java.util.Optional;

/**
 * Body sizes of usual packages, mm: chips after EIA, the rest after the JEDEC outlines, all nominal
 * and from memory. What a counter states of a part goes before them.
 */
public final class PackageSizes {
    private static final Map<String, Body> SIZES =
            Map.ofEntries(
                    Map.entry("0201", new Body(0.6, 0.3, 0.3)),
                    Map.entry("0402", new Body(1.0, 0.5, 0.35)),
                    Map.entry("0603", new Body(1.6, 0.8, 0.5)),
                    Map.entry("0805", new Body(2.0, 1.25, 0.6)),
                    Map.entry("1206", new Body(3.2, 1.6, 0.7)),
                    Map.entry("1210", new Body(3.2, 2.5, 1.6)),
                    Map.entry("2512", new Body(6.3, 3.2, 0.6)),
                    Map.entry("SOD123", new Body(2.7, 1.6, 1.15)),
                    Map.entry("SOD323", new Body(1.7, 1.25, 0.95)),
                    Map.entry("SMA", new Body(4.3, 2.6, 2.2)),
                    Map.entry("SMB", new Body(4.3, 3.6, 2.3)),
                    Map.entry("SOT23", new Body(2.9, 1.3, 1.1)),
                    Map.entry("SOT23-5", new Body(2.9, 1.6, 1.2)),
                    Map.entry("SOT23-6", new Body(2.9, 1.6, 1.2)),
                    Map.entry("SOT223", new Body(6.5, 3.5, 1.7)),
                    Map.entry("SOIC8", new Body(4.9, 3.9, 1.6)),
                    Map.entry("SOIC14", new Body(8.65, 3.9, 1.6)),
                    Map.entry("SOIC16", new Body(9.9, 3.9, 1.6)),
                    Map.entry("TSSOP8", new Body(3.0, 4.4, 1.1)),
                    Map.entry("TSSOP14", new Body(5.0, 4.4, 1.1)),
                    Map.entry("TSSOP16", new Body(5.0, 4.4, 1.1)),
                    Map.entry("TSSOP20", new Body(6.5, 4.4, 1.1)),
                    Map.entry("QFP32", new Body(7.0, 7.0, 1.4)),
                    Map.entry("TQFP32", new Body(7.0, 7.0, 1.0)),
                    Map.entry("TQFP44", new Body(10.0, 10.0, 1.0)),
                    Map.entry("LQFP48", new Body(7.0, 7.0, 1.4)),
                    Map.entry("LQFP64", new Body(10.0, 10.0, 1.4)));

    private PackageSizes() {}

    /** By the name of {@link PackageName}; empty for packages without a size of their own. */
    public static Optional<Body> of(String packageName) {
        return Optional.ofNullable(SIZES.get(packageName));
    }
}
