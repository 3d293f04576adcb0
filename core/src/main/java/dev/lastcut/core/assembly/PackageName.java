package dev.lastcut.core.assembly;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The package in the name of a footprint: {@code R0603}, {@code CAP-0603} and {@code
 * RES_0603_1608Metric} are all 0603. Sizes of chips after EIA, the rest after JEDEC (names from
 * memory; how footprints are called is common practice, no source).
 */
public final class PackageName {
    private static final List<String> CHIPS =
            List.of(
                    "01005", "0201", "0402", "0603", "0805", "1206", "1210", "1812", "2010",
                    "2512");
    private static final Pattern CHIP = Pattern.compile("(?<!\\d)(01005|\\d{4})(?!\\d)");
    private static final Pattern FAMILY =
            Pattern.compile(
                    "(?<![A-Z])[DUQ]?(TSSOP|MSOP|SSOP|VSSOP|SOIC|SOP|SO|TQFP|LQFP|QFP|VQFN|WQFN|UQFN|QFN|DFN|BGA"
                            + "|PDIP|DIP|DIL|SOT|SOD|TO|SMA|SMB|SMC|MELF|MINIMELF|PLCC)(?![A-Z])"
                            + "[-_ ]?(\\d{1,4})?(?:[-_](\\d{1,2})(?!\\d))?");

    private PackageName() {}

    /** In capitals without hyphens; the name as it is where no package is known in it. */
    public static String of(String footprint) {
        String s = footprint.strip().toUpperCase(Locale.ROOT);
        Matcher family = FAMILY.matcher(s);
        if (family.find()) {
            return family(family);
        }
        Matcher chip = CHIP.matcher(s);
        while (chip.find()) {
            if (CHIPS.contains(chip.group(1))) {
                return chip.group(1);
            }
        }
        return s;
    }

    private static String family(Matcher m) {
        String name = m.group(1);
        String number = m.group(2) == null ? "" : m.group(2);
        switch (name) {
            case "SO":
            case "SOP":
                name = "SOIC";
                break;
            case "PDIP":
            case "DIL":
                name = "DIP";
                break;
            default:
                break;
        }
        // SOT-23-5 has five pins; SOIC-8_3.9 has its size behind.
        boolean pins = (name.equals("SOT") || name.equals("TO")) && m.group(3) != null;
        return name + number + (pins && !m.group(3).equals("3") ? "-" + m.group(3) : "");
    }
}
