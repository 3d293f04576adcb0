package dev.lastcut.core.strip;

import dev.lastcut.core.strip.LeadForm.Box;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The lead forms of usual leaded packages by the words of a footprint's name. Bodies are nominal:
 * DIP after JEDEC MS-001, TO-92 after TO-226AA, TO-220 after TO-220AB, axial bodies after DO-35,
 * DO-41 and the usual resistor sizes (from memory); the rest is common practice, no source.
 */
public final class LeadForms {
    private static final double PITCH_MM = 2.54;

    private static final Pattern DUAL = Pattern.compile("(?:^|[^A-Z])[PC]?DIP[-_ ]?(\\d{1,2})");
    private static final Pattern DUAL_BEFORE = Pattern.compile("(?:^|\\D)(\\d{1,2})[-_ ]?P?DIP");
    private static final Pattern INLINE = Pattern.compile("(?:^|[^A-Z])SIP[-_ ]?(\\d{1,2})");
    private static final Pattern GRID = Pattern.compile("(\\d{1,2})\\s?X\\s?(\\d{1,2})");
    private static final Pattern COUNT = Pattern.compile("(\\d{1,2})");
    private static final Pattern PITCH =
            Pattern.compile("(?:^|[^A-Z])P[-_ ]?(\\d{1,2}(?:\\.\\d{1,3})?)(?:MM)?");
    private static final Pattern ROWS =
            Pattern.compile("(?:^|[^A-Z])W(\\d{1,2}(?:\\.\\d{1,3})?)MM");
    private static final Pattern LENGTH =
            Pattern.compile("(?:^|[^A-Z])L(\\d{1,2}(?:\\.\\d{1,2})?)MM");
    private static final Pattern DIAMETER =
            Pattern.compile("(?:^|[^A-Z])D[-_ ]?(\\d{1,2}(?:\\.\\d{1,2})?)(?:MM)?(?=$|[^0-9.])");
    private static final Pattern ROUND_MM = Pattern.compile("(\\d{1,2}(?:\\.\\d)?)\\s?MM");

    /** Body of a quarter-watt resistor, mm. */
    private static final double[] RESISTOR = {6.3, 2.4};

    private LeadForms() {}

    /**
     * The lead form a footprint's name stands for.
     *
     * @param pins how many pins are known to be connected
     * @return empty when the name says nothing of leads
     */
    public static Optional<LeadForm> of(String footprint, String designator, int pins) {
        String name = footprint.toUpperCase(Locale.ROOT).replace(',', '.');
        if (name.isBlank()) {
            return Optional.empty();
        }
        OptionalDouble pitch = number(PITCH, name);
        if (has(name, "DIP|DIL") && !has(name, "SWITCH")) {
            return dual(name);
        }
        if (has(name, "TO-?220")) {
            return Optional.of(
                    inline("TO-220", Math.max(3, pins), new Box(-2.6, -2.2, 7.7, 2.4), 19));
        }
        if (has(name, "TO-?92|TO-?226|E-?LINE|TO-?18\\b")) {
            int leads = Math.max(pins, has(name, "TO-?92-2|2-?PIN") ? 2 : 3);
            return Optional.of(inline("TO-92", leads, new Box(0.1, -1.9, 4.98, 1.9), 7));
        }
        if (has(name, "HEADER|PINHDR|SOCKET|SIP|SIL|TERMINAL|SCREW|CONN|^HDR|PINHEAD|WAGO|KLEMM")) {
            return connector(name, pins, pitch);
        }
        if (has(name, "TRIM|POT(?:[^A-Z]|$)|POTENTIO")) {
            return Optional.of(trimmer());
        }
        if (has(name, "BUTTON|TACT|PUSH|SW_")) {
            return Optional.of(button());
        }
        return twoLeads(name, designator, pitch);
    }

    /**
     * What a part without a footprint most likely is, by the letters of its designator and its
     * number of pins: common practice, no source. Whoever takes it must say that it was assumed.
     */
    public static Optional<LeadForm> usual(String designator, int pins) {
        String letters = designator.replaceAll("\\d.*", "").toUpperCase(Locale.ROOT);
        return switch (letters) {
            case "R" -> two(pins, resistor());
            case "D" -> two(pins, diode());
            case "C" -> two(pins, disc());
            case "L" -> two(pins, LeadForm.axial("axial inductor", 7, 3, 4));
            case "LED" -> two(pins, led(5));
            case "Q", "T" ->
                    pins <= 3
                            ? Optional.of(inline("TO-92", 3, new Box(0.1, -1.9, 4.98, 1.9), 7))
                            : Optional.empty();
            case "J", "P", "X", "K", "CN", "JP", "H", "BT" ->
                    Optional.of(header(1, Math.max(1, pins)));
            case "RV", "VR" -> Optional.of(trimmer());
            case "U", "IC" -> pins < 2 ? Optional.empty() : Optional.of(dip(pins + pins % 2, 3));
            default -> Optional.empty();
        };
    }

    private static Optional<LeadForm> two(int pins, LeadForm form) {
        return pins > 2 ? Optional.empty() : Optional.of(form);
    }

    private static Optional<LeadForm> dual(String name) {
        Matcher m = DUAL.matcher(name.replace("DIL", "DIP"));
        Matcher before = DUAL_BEFORE.matcher(name.replace("DIL", "DIP"));
        String count = m.find() ? m.group(1) : before.find() ? before.group(1) : "";
        int pins = count.isEmpty() ? 0 : Integer.parseInt(count);
        if (pins < 4 || pins % 2 != 0 || pins > 64) {
            return Optional.empty();
        }
        OptionalDouble rows = number(ROWS, name);
        boolean wide = has(name, "WIDE|600|15\\.24") || (rows.isEmpty() && pins >= 40);
        int apart =
                rows.isPresent() ? (int) Math.round(rows.getAsDouble() / PITCH_MM) : wide ? 6 : 3;
        return Optional.of(dip(pins, apart));
    }

    /** Two rows: pins count down the left row and up the right one, seen from the part side. */
    static LeadForm dip(int pins, int rowsApart) {
        List<GridHole> feet = new ArrayList<>();
        int each = pins / 2;
        for (int i = 0; i < each; i++) {
            feet.add(new GridHole(i, 0));
        }
        for (int i = each - 1; i >= 0; i--) {
            feet.add(new GridHole(i, rowsApart));
        }
        double width = rowsApart * PITCH_MM;
        return LeadForm.fixed(
                "DIP-" + pins,
                feet,
                new Box(-0.3, -1.2, width + 0.3, (each - 1) * PITCH_MM + 1.2),
                4);
    }

    private static LeadForm inline(String name, int leads, Box body, double height) {
        return LeadForm.fixed(name, row(leads), body, height);
    }

    private static List<GridHole> row(int leads) {
        List<GridHole> feet = new ArrayList<>();
        for (int i = 0; i < leads; i++) {
            feet.add(new GridHole(0, i));
        }
        return feet;
    }

    /** Pins in one row, or in two rows counted across as headers are. */
    static LeadForm header(int rows, int columns) {
        List<GridHole> feet = new ArrayList<>();
        for (int c = 0; c < columns; c++) {
            for (int r = 0; r < rows; r++) {
                feet.add(new GridHole(r, c));
            }
        }
        double half = PITCH_MM / 2;
        Box body =
                new Box(
                        -half + 0.01,
                        -half + 0.01,
                        (columns - 1) * PITCH_MM + half - 0.01,
                        (rows - 1) * PITCH_MM + half - 0.01);
        return LeadForm.fixed("header " + rows + "×" + columns, feet, body, 8.5);
    }

    private static Optional<LeadForm> connector(String name, int pins, OptionalDouble pitch) {
        Matcher grid = GRID.matcher(name);
        if (grid.find()) {
            int a = Integer.parseInt(grid.group(1));
            int b = Integer.parseInt(grid.group(2));
            if (Math.min(a, b) < 1 || Math.min(a, b) > 2) {
                return Optional.empty();
            }
            return spread(header(Math.min(a, b), Math.max(a, b)), pitch);
        }
        Matcher sip = INLINE.matcher(name);
        Matcher count = COUNT.matcher(name);
        int leads =
                sip.find()
                        ? Integer.parseInt(sip.group(1))
                        : count.find() ? Integer.parseInt(count.group(1)) : 0;
        int wanted = leads < Math.max(1, pins) || leads > 40 ? pins : leads;
        return wanted < 1 ? Optional.empty() : spread(header(1, wanted), pitch);
    }

    /** Screw terminals stand two pitches apart: 5 and 5.08 mm alike, as their leads give way. */
    private static Optional<LeadForm> spread(LeadForm row, OptionalDouble pitch) {
        int step = pitch.isPresent() ? (int) Math.round(pitch.getAsDouble() / PITCH_MM) : 1;
        if (pitch.isPresent()
                && (step < 1 || Math.abs(step * PITCH_MM - pitch.getAsDouble()) > 0.2)) {
            return Optional.empty();
        }
        if (step == 1) {
            return Optional.of(row);
        }
        int leads = row.feet().size();
        List<GridHole> feet =
                row.feet().stream().map(f -> new GridHole(f.strip(), f.hole() * step)).toList();
        double width = (leads - 1) * step * PITCH_MM;
        return Optional.of(
                LeadForm.fixed(
                        "terminal block, " + leads + " poles",
                        feet,
                        new Box(-2.5, -3.8, width + 2.5, 3.8),
                        10));
    }

    private static LeadForm trimmer() {
        return LeadForm.fixed(
                "trimmer",
                List.of(new GridHole(0, 0), new GridHole(0, 1), new GridHole(0, 2)),
                new Box(-2.2, -2.4, 7.3, 2.4),
                10);
    }

    /** Four legs, 1 and 2 joined inside and 3 and 4: the rows are two pitches by three. */
    private static LeadForm button() {
        return LeadForm.fixed(
                "push button",
                List.of(
                        new GridHole(0, 0),
                        new GridHole(0, 3),
                        new GridHole(2, 0),
                        new GridHole(2, 3)),
                new Box(0.8, -0.5, 6.8, 5.6),
                5);
    }

    private static Optional<LeadForm> twoLeads(
            String name, String designator, OptionalDouble pitch) {
        String letters = designator.replaceAll("\\d.*", "").toUpperCase(Locale.ROOT);
        OptionalDouble diameter = number(DIAMETER, name);
        OptionalDouble length = number(LENGTH, name);
        if (has(name, "LED")) {
            OptionalDouble mm = diameter.isPresent() ? diameter : number(ROUND_MM, name);
            return Optional.of(led(mm.orElse(has(name, "3") && !has(name, "5") ? 3 : 5)));
        }
        if (has(name, "DO-?35")) {
            return Optional.of(LeadForm.axial("DO-35", 4.0, 1.9, 3));
        }
        if (has(name, "DO-?41")) {
            return Optional.of(diode());
        }
        if (has(name, "RADIAL|DISC|ELKO|^CP_|^C_D|ELCO|CERAMIC|FILM|BOX")) {
            int span =
                    pitch.isPresent()
                            ? Math.max(1, (int) Math.round(pitch.getAsDouble() / PITCH_MM))
                            : 1;
            if (pitch.isPresent() && Math.abs(span * PITCH_MM - pitch.getAsDouble()) > 1.1) {
                return Optional.empty();
            }
            boolean disc = has(name, "DISC|CERAMIC|^C_D");
            double across = diameter.orElse(length.orElse(5));
            OptionalDouble width = number(ROWS, name);
            double deep = width.orElse(disc ? 2.5 : has(name, "FILM|BOX") ? 3 : across);
            return Optional.of(
                    LeadForm.radial(disc ? "disc" : "radial", across, deep, disc ? 6 : 11, span));
        }
        boolean axial =
                has(
                        name,
                        "AXIAL|DIN|0207|0204|0411|RES|THT|1/4|1/8|1/2|0\\.25|MELF-?A|^R[-_]?\\d|CRYSTAL|HC-?49");
        if (has(name, "CRYSTAL|HC-?49")) {
            return Optional.of(
                    LeadForm.radial("HC-49", 11, 4.7, has(name, "HC-?49-?S|HC49S") ? 4 : 13, 2));
        }
        if (axial && letters.startsWith("D")) {
            return Optional.of(diode());
        }
        if (axial) {
            double[] size =
                    has(name, "0204|1/8")
                            ? new double[] {3.6, 1.6}
                            : has(name, "0411|1/2") ? new double[] {11, 4} : RESISTOR;
            double along = length.orElse(size[0]);
            int least = (int) Math.ceil((along + 1.2) / PITCH_MM);
            return Optional.of(LeadForm.axial("axial", along, diameter.orElse(size[1]), least));
        }
        return Optional.empty();
    }

    private static LeadForm resistor() {
        return LeadForm.axial("axial resistor", RESISTOR[0], RESISTOR[1], 3);
    }

    private static LeadForm diode() {
        return LeadForm.axial("DO-41", 5.2, 2.5, 3);
    }

    private static LeadForm disc() {
        return LeadForm.radial("disc", 5, 2.5, 6, 1);
    }

    private static LeadForm led(double mm) {
        double rim = mm + 0.8;
        return LeadForm.radial("LED " + (int) mm + " mm", rim, rim, mm + 3.6, 1);
    }

    private static boolean has(String name, String words) {
        return Pattern.compile(words).matcher(name).find();
    }

    private static OptionalDouble number(Pattern p, String name) {
        Matcher m = p.matcher(name);
        return m.find()
                ? OptionalDouble.of(Double.parseDouble(m.group(1)))
                : OptionalDouble.empty();
    }
}
