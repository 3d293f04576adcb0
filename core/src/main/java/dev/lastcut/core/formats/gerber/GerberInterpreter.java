package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Carries out the commands of one file: keeps the graphics state and collects features. Used once.
 */
final class GerberInterpreter {
    /** More objects than any board has; a file that asks for more is stopped with a problem. */
    private static final int MOST_FEATURES = 3_000_000;

    private static final Pattern NUMBERED = Pattern.compile("([GDM])\\s*0*(\\d{1,9})");
    private static final Pattern FORMAT =
            Pattern.compile("FS([LTD]?)([AI]?)(?:[NGDM]\\d)*X(\\d)(\\d)Y(\\d)(\\d).*");
    private static final Pattern STEP =
            Pattern.compile("SR(?:X(\\d+))?(?:Y(\\d+))?(?:I([-+.\\d]+))?(?:J([-+.\\d]+))?");

    private final ProblemLog log;
    private final AttributeDictionary attributes = new AttributeDictionary();
    private final Map<Integer, Aperture> apertures = new HashMap<>();
    private final Map<Integer, String> functions = new HashMap<>();
    private final Map<String, MacroDefinition> macros = new HashMap<>();
    private final FeatureSink sink = new FeatureSink();

    private CoordinateFormat format = new CoordinateFormat(2, 4, false, false);
    private boolean formatKnown;
    private boolean unitKnown;
    private double nmPerUnit = Length.NM_PER_INCH;
    private Pt at = Pt.ORIGIN;
    private int aperture = -1;
    private int interpolation = 1;
    private boolean multiQuadrant = true;
    private int lastOperation = 2;
    private boolean dark = true;
    private boolean negativeImage;
    private Orientation orientation = Orientation.NONE;
    private String mirror = "N";
    private double currentRotation;
    private boolean inRegion;
    private List<Segment> contour = new ArrayList<>();
    private final List<List<Segment>> contours = new ArrayList<>();
    private boolean ended;
    private boolean recognised;
    private boolean warnedFormat;
    private int line;

    GerberInterpreter(ProblemLog log) {
        this.log = log;
    }

    void accept(Command command) {
        if (ended) {
            return;
        }
        line = command.line();
        try {
            if (command.extended()) {
                extended(command.words());
            } else {
                word(command.words().get(0).strip());
            }
        } catch (RuntimeException e) {
            // A number out of range or an impossible parameter: this command is skipped, no more.
            log.add(
                    Code.BAD_NUMBER,
                    line,
                    "cannot make sense of '" + command.words() + "': " + e.getMessage(),
                    "skipped");
        }
    }

    GerberFile finish() {
        if (inRegion) {
            closeContour();
            endRegion();
        }
        sink.closeAll();
        if (recognised && !ended) {
            log.add(
                    Code.TRUNCATED,
                    line,
                    "the file has no end command (M02): it may have been cut off",
                    "everything up to here was read; compare it with the original");
        }
        List<Feature> features = sink.features();
        if (negativeImage) {
            log.add(
                    Code.DEPRECATED,
                    0,
                    "the whole image is declared negative (IPNEG)",
                    "read as a positive image; please export it as positive");
        }
        return new GerberFile(features, attributes.file(), log.problems(), recognised);
    }

    private void extended(List<String> words) {
        if (words.isEmpty()) {
            return;
        }
        String first = words.get(0).strip();
        if (first.toUpperCase(Locale.ROOT).startsWith("AM")) {
            recognised = true;
            macros.put(
                    first.substring(2).strip(),
                    new MacroDefinition(
                            first.substring(2).strip(), words.subList(1, words.size())));
            return;
        }
        for (String w : words) {
            extendedWord(w.strip());
        }
    }

    private void extendedWord(String w) {
        if (w.length() < 2) {
            return;
        }
        String body = w.substring(2).strip();
        switch (w.substring(0, 2).toUpperCase(Locale.ROOT)) {
            case "FS" -> formatStatement(w.toUpperCase(Locale.ROOT));
            case "MO" -> unit(body);
            case "AD" -> defineAperture(body);
            case "LP" -> dark = !body.equalsIgnoreCase("C");
            case "LM" -> orient(body.toUpperCase(Locale.ROOT), null, null);
            case "LR" -> orient(null, Double.parseDouble(body), null);
            case "LS" -> orient(null, null, Double.parseDouble(body));
            case "SR" -> stepRepeat(w);
            case "AB" -> block(body);
            case "TF", "TA", "TO", "TD" -> attributes.accept(w);
            case "IP" -> negativeImage = body.equalsIgnoreCase("NEG");
            case "IN", "LN", "IR", "AS", "IJ", "KO", "PF" -> {}
            case "MI", "SF", "OF" -> deprecatedTransform(w);
            default ->
                    // Very old files put word commands between percent signs as well.
                    word(w);
        }
    }

    private void deprecatedTransform(String w) {
        boolean harmless =
                w.matches("MI(A0)?(B0)?|SF(A1(\\.0*)?)?(B1(\\.0*)?)?|OF(A0*\\.?0*)?(B0*\\.?0*)?");
        if (!harmless) {
            log.add(
                    Code.DEPRECATED,
                    line,
                    "the deprecated command '" + w + "' moves or scales the image",
                    "not applied; check this layer against the others");
        }
    }

    private void formatStatement(String w) {
        Matcher m = FORMAT.matcher(w);
        if (!m.matches()) {
            log.add(
                    Code.MISSING_FORMAT,
                    line,
                    "expected a format such as FSLAX46Y46 but found '" + w + "'",
                    "coordinates are read as 2.4 until a format is given");
            return;
        }
        recognised = true;
        formatKnown = true;
        format =
                new CoordinateFormat(
                        Integer.parseInt(m.group(3)),
                        Integer.parseInt(m.group(4)),
                        m.group(1).equals("T"),
                        m.group(2).equals("I"));
    }

    private void unit(String body) {
        unitKnown = true;
        recognised = true;
        nmPerUnit =
                body.toUpperCase(Locale.ROOT).startsWith("MM")
                        ? Length.NM_PER_MM
                        : Length.NM_PER_INCH;
    }

    private void defineAperture(String body) {
        recognised = true;
        try {
            ApertureParser.Defined defined = ApertureParser.parse(body, macros, nmPerUnit);
            apertures.put(defined.code(), defined.aperture());
            functions.put(defined.code(), attributes.apertureFunction());
        } catch (IllegalArgumentException e) {
            log.add(
                    Code.BAD_APERTURE,
                    line,
                    "aperture '" + body + "': " + e.getMessage(),
                    "left out; objects that use it are missing");
        }
    }

    private void orient(String newMirror, Double rotation, Double scale) {
        mirror = newMirror == null ? mirror : newMirror;
        double rot = rotation == null ? currentRotation : rotation;
        double size = scale == null ? orientation.scale() : scale;
        currentRotation = rot;
        // Mirroring about both axes, or about y alone, is a mirrored x and half a turn.
        boolean mirrored = mirror.equals("X") || mirror.equals("Y");
        double half = mirror.equals("Y") || mirror.equals("XY") ? 180 : 0;
        orientation = new Orientation(mirrored, rot + half, size);
    }

    private void stepRepeat(String w) {
        Matcher m = STEP.matcher(w.toUpperCase(Locale.ROOT));
        sink.closeRepeat();
        if (m.matches() && (m.group(1) != null || m.group(2) != null)) {
            int nx = m.group(1) == null ? 1 : Integer.parseInt(m.group(1));
            int ny = m.group(2) == null ? 1 : Integer.parseInt(m.group(2));
            double dx = m.group(3) == null ? 0 : Double.parseDouble(m.group(3)) * nmPerUnit;
            double dy = m.group(4) == null ? 0 : Double.parseDouble(m.group(4)) * nmPerUnit;
            if ((long) nx * ny > 1) {
                sink.openRepeat(nx, ny, dx, dy);
            }
        }
    }

    private void block(String body) {
        if (body.isEmpty()) {
            sink.closeBlock(apertures);
        } else {
            Matcher m = NUMBERED.matcher(body.toUpperCase(Locale.ROOT));
            if (m.matches()) {
                sink.openBlock(Integer.parseInt(m.group(2)));
            }
        }
    }

    private void word(String raw) {
        if (raw.isEmpty()) {
            return;
        }
        String w = raw.toUpperCase(Locale.ROOT);
        if (w.startsWith("G04") || w.startsWith("G4 ")) {
            comment(raw);
            return;
        }
        if (w.startsWith("M")) {
            Matcher m = NUMBERED.matcher(w);
            if (m.matches() && Integer.parseInt(m.group(2)) <= 2) {
                recognised = true;
                ended = Integer.parseInt(m.group(2)) != 1;
                return;
            }
        }
        if (!scan(w)) {
            log.add(
                    Code.UNKNOWN_COMMAND,
                    line,
                    "expected a Gerber command but found '" + raw + "'",
                    "skipped");
        }
    }

    /** Standard comments carry attributes: {@code G04 #@! TF.FileFunction,…}. */
    private void comment(String raw) {
        int mark = raw.indexOf("#@!");
        if (mark >= 0) {
            attributes.accept(raw.substring(mark + 3).strip());
        }
    }

    /** One block of letter-number pairs; false if it is not of that form. */
    private boolean scan(String w) {
        int pos = 0;
        String x = null;
        String y = null;
        String i = null;
        String j = null;
        int operation = -1;
        while (pos < w.length()) {
            char letter = w.charAt(pos++);
            if (letter == ' ') {
                continue;
            }
            int start = pos;
            while (pos < w.length() && "+-.0123456789".indexOf(w.charAt(pos)) >= 0) {
                pos++;
            }
            String number = w.substring(start, pos);
            if (number.isEmpty()) {
                return false;
            }
            switch (letter) {
                case 'X' -> x = number;
                case 'Y' -> y = number;
                case 'I' -> i = number;
                case 'J' -> j = number;
                case 'G' -> {
                    if (!general(Integer.parseInt(number))) {
                        return false;
                    }
                }
                case 'D' -> operation = Integer.parseInt(number);
                case 'M' -> {
                    return false;
                }
                case 'N' -> {}
                default -> {
                    return false;
                }
            }
        }
        boolean coordinates = x != null || y != null || i != null || j != null;
        if (operation >= 10) {
            recognised = true;
            select(operation);
        } else if (operation >= 1 && operation <= 3) {
            lastOperation = operation;
            operate(operation, x, y, i, j);
        } else if (coordinates) {
            // A block without a D code repeats the last one (deprecated but common).
            operate(lastOperation, x, y, i, j);
        }
        return true;
    }

    private boolean general(int code) {
        switch (code) {
            case 1, 2, 3 -> interpolation = code;
            case 10, 11, 12 -> interpolation = 1;
            case 36 -> startRegion();
            case 37 -> {
                closeContour();
                endRegion();
            }
            case 54, 55 -> {}
            case 70 -> unit("IN");
            case 71 -> unit("MM");
            case 74 -> multiQuadrant = false;
            case 75 -> multiQuadrant = true;
            case 90 -> incremental(false);
            case 91 -> incremental(true);
            default -> {
                return false;
            }
        }
        return true;
    }

    private void incremental(boolean on) {
        format =
                new CoordinateFormat(
                        format.integers(), format.decimals(), format.omitTrailing(), on);
    }

    private void select(int code) {
        if (!apertures.containsKey(code)) {
            log.add(
                    Code.UNDEFINED_APERTURE,
                    line,
                    "aperture D" + code + " is used but not defined",
                    "objects drawn with it are left out");
        }
        aperture = code;
    }

    private void operate(int operation, String x, String y, String i, String j) {
        recognised = true;
        if ((!formatKnown || !unitKnown) && !warnedFormat) {
            warnedFormat = true;
            log.add(
                    Code.MISSING_FORMAT,
                    line,
                    "coordinates before the " + (formatKnown ? "unit" : "number format"),
                    "read as "
                            + (unitKnown ? "given unit" : "inch")
                            + ", 2.4 without leading zeros");
        }
        Pt to = new Pt(ordinate(x, at.x()), ordinate(y, at.y()));
        if (operation == 2) {
            if (inRegion) {
                closeContour();
            }
        } else if (operation == 1) {
            draw(to, offset(i), offset(j));
        } else if (inRegion) {
            log.add(Code.UNKNOWN_COMMAND, line, "a flash inside a region", "skipped");
        } else {
            flash(to);
        }
        at = to;
    }

    private long ordinate(String digits, long current) {
        if (digits == null) {
            return current;
        }
        OptionalLong value = format.parse(digits, nmPerUnit);
        if (value.isEmpty()) {
            throw new NumberFormatException("coordinate '" + digits + "' is out of range");
        }
        return format.incremental() ? current + value.getAsLong() : value.getAsLong();
    }

    private long offset(String digits) {
        return digits == null ? 0 : format.parse(digits, nmPerUnit).orElse(0);
    }

    private void draw(Pt to, long i, long j) {
        Segment segment = new Segment.Line(at, to);
        if (interpolation != 1) {
            boolean clockwise = interpolation == 2;
            Optional<Segment.Arc> arc =
                    multiQuadrant
                            ? ArcSolver.multiQuadrant(at, to, i, j, clockwise)
                            : ArcSolver.singleQuadrant(at, to, i, j, clockwise);
            if (arc.isPresent()) {
                segment = arc.get();
            } else if (!at.equals(to)) {
                log.add(
                        Code.BAD_ARC,
                        line,
                        "no circle passes through both ends of this arc",
                        "drawn as a straight line");
            }
        }
        if (inRegion) {
            if (!segment.from().equals(segment.to()) || segment instanceof Segment.Arc) {
                contour.add(segment);
            }
        } else {
            Aperture a = apertures.get(aperture);
            if (a != null) {
                emit(new Feature.Stroke(a, segment, orientation, dark, line, objectAttributes()));
            } else {
                missingAperture();
            }
        }
    }

    private void flash(Pt to) {
        Aperture a = apertures.get(aperture);
        if (a == null) {
            missingAperture();
        } else if (a instanceof Aperture.Block blockAperture) {
            for (Feature f : blockAperture.features()) {
                emit(f.placed(orientation, to, dark));
            }
        } else {
            emit(new Feature.Flash(a, to, orientation, dark, line, objectAttributes()));
        }
    }

    private void missingAperture() {
        if (aperture < 0) {
            log.add(
                    Code.UNDEFINED_APERTURE,
                    line,
                    "something is drawn before any aperture was selected",
                    "left out");
        }
    }

    private ObjectAttributes objectAttributes() {
        return attributes.objectAttributes(functions.getOrDefault(aperture, ""));
    }

    private void emit(Feature feature) {
        if (sink.size() >= MOST_FEATURES) {
            if (sink.size() == MOST_FEATURES) {
                log.add(
                        Code.LIMIT,
                        line,
                        "more than " + MOST_FEATURES + " objects in one file",
                        "the rest was left out");
            }
            return;
        }
        sink.add(feature);
    }

    private void startRegion() {
        inRegion = true;
        contour = new ArrayList<>();
        contours.clear();
    }

    private void closeContour() {
        if (contour.isEmpty()) {
            return;
        }
        Pt start = contour.get(0).from();
        Pt end = contour.get(contour.size() - 1).to();
        if (!start.equals(end)) {
            if (start.distance(end) > 1_000) {
                log.add(
                        Code.OPEN_CONTOUR,
                        line,
                        "a region's contour ends "
                                + Length.text(start.distance(end))
                                + " from where it began",
                        "closed with a straight line");
            }
            contour.add(new Segment.Line(end, start));
        }
        contours.add(contour);
        contour = new ArrayList<>();
    }

    private void endRegion() {
        if (!contours.isEmpty()) {
            var attrs = attributes.objectAttributes(attributes.apertureFunction());
            emit(new Feature.Region(contours, dark, line, attrs));
        }
        contours.clear();
        inRegion = false;
    }
}
