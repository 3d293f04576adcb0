package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.work.WorkLimitException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Carries out the commands of one file: keeps the graphics state and collects features. Used once.
 */
final class GerberInterpreter implements CommandLexer.Sink {
    private static final Pattern NUMBERED = Pattern.compile("([GDM])\\s*0*(\\d{1,9})");
    private static final Pattern FORMAT =
            Pattern.compile("FS([LTD]?)([AI]?)(?:[NGDM]\\d)*X(\\d)(\\d)Y(\\d)(\\d).*");
    private static final Pattern STEP =
            Pattern.compile("SR(?:X(\\d+))?(?:Y(\\d+))?(?:I([-+.\\d]+))?(?:J([-+.\\d]+))?");

    private static final int MOST_REMARKS = 20;
    private static final int LONGEST_REMARK = 200;
    private static final long FARTHEST = (long) CoordinateFormat.FARTHEST_NM;

    private final ProblemLog log;
    private final AttributeDictionary attributes = new AttributeDictionary();
    private final Map<Integer, Aperture> apertures = new HashMap<>();
    private final Map<Integer, String> functions = new HashMap<>();
    private final Map<String, MacroDefinition> macros = new HashMap<>();
    private final FeatureSink sink = new FeatureSink();
    private final List<PlacedPart> components = new ArrayList<>();
    private final List<String> remarks = new ArrayList<>();

    private CoordinateFormat format = new CoordinateFormat(2, 4, false, false);
    private boolean formatKnown;
    private boolean unitKnown;
    private double nmPerUnit = Length.NM_PER_INCH;
    private long wholeFactor = format.wholeFactor(nmPerUnit);
    private Pt at = Pt.ORIGIN;
    private int aperture = -1;
    private Aperture current;
    private String currentFunction = "";
    private int interpolation = 1;
    private boolean multiQuadrant = true;
    private int lastOperation = 2;
    private boolean dark = true;
    private final ImageTransform image = new ImageTransform();
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

    @Override
    public void extended(List<String> words, int at) {
        if (!ended) {
            line = at;
            try {
                extended(words);
            } catch (WorkLimitException | CancellationException e) {
                throw e;
            } catch (RuntimeException e) {
                skipped(words.toString(), e);
            }
        }
    }

    @Override
    public void word(byte[] text, int from, int to, int at) {
        if (!ended) {
            line = at;
            try {
                word(text, from, to);
            } catch (WorkLimitException | CancellationException e) {
                throw e;
            } catch (RuntimeException e) {
                skipped(string(text, from, to), e);
            }
        }
    }

    /**
     * The most frequent words by far, in one pass: X and Y in whole digits and an operation. What
     * is not of that form is left to {@link #word}.
     */
    @Override
    public int place(byte[] text, int from, int atLine) {
        if (wholeFactor == 0 || ended || !unitKnown) {
            return -1;
        }
        long x = at.x();
        long y = at.y();
        int pos = from;
        while (pos < text.length) {
            byte letter = text[pos++];
            boolean negative = pos < text.length && text[pos] == '-';
            if (negative) {
                pos++;
            }
            int first = pos;
            long digits = 0;
            while (pos < text.length && text[pos] >= '0' && text[pos] <= '9') {
                digits = digits * 10 + (text[pos++] - '0');
            }
            if (pos == first || pos - first > 10) {
                return -1;
            }
            if (letter == 'D') {
                boolean operation = digits >= 1 && digits <= 3 && !negative;
                if (!operation || pos >= text.length || text[pos] != '*') {
                    return -1;
                }
                line = atLine;
                lastOperation = (int) digits;
                operate(lastOperation, new Pt(x, y), 0, 0);
                return pos;
            }
            long nm = (negative ? -digits : digits) * wholeFactor;
            if (nm > FARTHEST || nm < -FARTHEST) {
                return -1;
            }
            if (letter == 'X') {
                x = nm;
            } else if (letter == 'Y') {
                y = nm;
            } else {
                return -1;
            }
        }
        return -1;
    }

    /** A number out of range or an impossible parameter: this command is skipped, no more. */
    private void skipped(String command, RuntimeException e) {
        log.add(
                Code.BAD_NUMBER,
                line,
                "cannot make sense of '" + command + "': " + e.getMessage(),
                "skipped");
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
        return new GerberFile(
                image.apply(sink.features()),
                attributes.file(),
                image.isNegative(),
                components,
                remarks,
                format.stepNm(nmPerUnit),
                log.problems(),
                recognised);
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
            case "IP", "IR", "AS", "MI", "SF", "OF" -> imageCommand(w);
            case "IN", "LN" -> remark(body);
            case "IJ", "KO", "PF" -> {}
            default ->
                    // Very old files put word commands between percent signs as well.
                    word(bytes(w), 0, w.length());
        }
    }

    private void imageCommand(String w) {
        recognised = true;
        if (image.accept(w.toUpperCase(Locale.ROOT), nmPerUnit)) {
            log.add(
                    Code.DEPRECATED,
                    line,
                    "the deprecated command '" + w + "' changes the whole image",
                    "applied; compare this layer with the others");
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
        wholeFactor = format.wholeFactor(nmPerUnit);
    }

    private void unit(String body) {
        unitKnown = true;
        recognised = true;
        nmPerUnit =
                body.toUpperCase(Locale.ROOT).startsWith("MM")
                        ? Length.NM_PER_MM
                        : Length.NM_PER_INCH;
        wholeFactor = format.wholeFactor(nmPerUnit);
    }

    private void defineAperture(String body) {
        recognised = true;
        try {
            ApertureParser.Defined defined = ApertureParser.parse(body, macros, nmPerUnit);
            apertures.put(defined.code(), defined.aperture());
            functions.put(defined.code(), attributes.apertureFunction());
            reselect(defined.code());
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
            reselect(aperture);
        } else {
            Matcher m = NUMBERED.matcher(body.toUpperCase(Locale.ROOT));
            if (m.matches()) {
                sink.openBlock(Integer.parseInt(m.group(2)));
            }
        }
    }

    private void word(byte[] text, int from, int to) {
        if (isComment(text, from, to)) {
            comment(text, from, to);
        } else if (!scan(text, from, to)) {
            log.add(
                    Code.UNKNOWN_COMMAND,
                    line,
                    "expected a Gerber command but found '" + string(text, from, to) + "'",
                    "skipped");
        }
    }

    private static boolean isComment(byte[] text, int from, int to) {
        if (to - from < 2 || (text[from] & 0xdf) != 'G') {
            return false;
        }
        int at = text[from + 1] == '0' && to - from > 2 ? from + 2 : from + 1;
        boolean digitFollows =
                at + 1 < to && text[at + 1] >= '0' && text[at + 1] <= '9' && at == from + 1;
        return text[at] == '4' && !digitFollows;
    }

    /** Standard comments carry attributes: {@code G04 #@! TF.FileFunction,…}. */
    private void comment(byte[] text, int from, int to) {
        for (int at = from; at + 3 <= to; at++) {
            if (text[at] == '#' && text[at + 1] == '@' && text[at + 2] == '!') {
                attributes.accept(string(text, at + 3, to).strip());
                return;
            }
        }
        if (remarks.size() < MOST_REMARKS) {
            remark(string(text, from, to).replaceFirst("^[Gg]0*4", ""));
        }
    }

    /** What the file says of itself in plain words; the first lines tell, the rest is noise. */
    private void remark(String text) {
        String plain = text.strip();
        if (!plain.isEmpty() && plain.length() <= LONGEST_REMARK && remarks.size() < MOST_REMARKS) {
            remarks.add(plain);
        }
    }

    private static String string(byte[] text, int from, int to) {
        return new String(text, from, to - from, StandardCharsets.UTF_8);
    }

    private static byte[] bytes(String s) {
        return s.getBytes(StandardCharsets.ISO_8859_1);
    }

    /** One block of letter-number pairs; false if it is not of that form. */
    private boolean scan(byte[] text, int from, int to) {
        int pos = from;
        boolean coordinates = false;
        long x = at.x();
        long y = at.y();
        long i = 0;
        long j = 0;
        int operation = -1;
        while (pos < to) {
            byte letter = text[pos++];
            if (letter == ' ' || letter == '\t') {
                continue;
            }
            int start = pos;
            boolean negative = pos < to && text[pos] == '-';
            if (negative) {
                pos++;
            }
            long digits = 0;
            int first = pos;
            while (pos < to && text[pos] >= '0' && text[pos] <= '9') {
                digits = digits * 10 + (text[pos++] - '0');
            }
            boolean plain = pos > first && pos - first < 16;
            while (pos < to && isNumeric(text[pos])) {
                pos++;
                plain = false;
            }
            if (pos == start) {
                return false;
            }
            // Whole digits with a whole factor need no rounding; the rest takes the longer way.
            boolean exact = plain && wholeFactor > 0;
            long nm = exact ? (negative ? -digits : digits) * wholeFactor : 0;
            switch (letter & 0xdf) {
                case 'X' -> x = exact ? bounded(nm) : ordinate(text, start, pos, at.x());
                case 'Y' -> y = exact ? bounded(nm) : ordinate(text, start, pos, at.y());
                case 'I' -> i = exact ? bounded(nm) : format.parse(text, start, pos, nmPerUnit);
                case 'J' -> j = exact ? bounded(nm) : format.parse(text, start, pos, nmPerUnit);
                case 'D' -> operation = integer(text, start, pos);
                case 'G' -> {
                    if (!general(integer(text, start, pos))) {
                        return false;
                    }
                    continue;
                }
                case 'M' -> {
                    return programCode(integer(text, start, pos));
                }
                case 'N' -> {
                    continue;
                }
                default -> {
                    return false;
                }
            }
            coordinates |= operation < 0;
        }
        if (operation >= 10) {
            recognised = true;
            select(operation);
        } else if (operation >= 1 && operation <= 3) {
            lastOperation = operation;
            operate(operation, new Pt(x, y), i, j);
        } else if (coordinates) {
            // A block without a D code repeats the last one (deprecated but common).
            operate(lastOperation, new Pt(x, y), i, j);
        }
        return true;
    }

    private static long bounded(long nm) {
        if (Math.abs(nm) > CoordinateFormat.FARTHEST_NM) {
            throw new NumberFormatException("a coordinate is farther off than 10 m");
        }
        return nm;
    }

    private static boolean isNumeric(byte c) {
        return (c >= '0' && c <= '9') || c == '-' || c == '+' || c == '.';
    }

    private static int integer(byte[] text, int from, int to) {
        int value = 0;
        for (int k = from; k < to; k++) {
            int digit = text[k] - '0';
            if (digit < 0 || digit > 9 || value > 99_999_999) {
                throw new NumberFormatException(
                        "'" + string(text, from, to) + "' is not a whole number");
            }
            value = value * 10 + digit;
        }
        return value;
    }

    private boolean programCode(int code) {
        recognised |= code <= 2;
        ended |= code == 0 || code == 2;
        return code <= 2;
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
        format = format.incremental(on);
        wholeFactor = format.wholeFactor(nmPerUnit);
    }

    private void select(int code) {
        if (code == aperture && current != null) {
            return;
        }
        if (!apertures.containsKey(code)) {
            log.add(
                    Code.UNDEFINED_APERTURE,
                    line,
                    "aperture D" + code + " is used but not defined",
                    "objects drawn with it are left out");
        }
        aperture = code;
        reselect(code);
    }

    /** An aperture may be defined again while it is the current one. */
    private void reselect(int code) {
        if (code == aperture) {
            current = apertures.get(code);
            currentFunction = functions.getOrDefault(code, "");
        }
    }

    private void operate(int operation, Pt to, long i, long j) {
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
        if (operation == 2) {
            if (inRegion) {
                closeContour();
            }
        } else if (operation == 1) {
            draw(to, i, j);
        } else if (inRegion) {
            log.add(Code.UNKNOWN_COMMAND, line, "a flash inside a region", "skipped");
        } else {
            flash(to);
        }
        at = to;
    }

    private long ordinate(byte[] text, int from, int to, long current) {
        long value = format.parse(text, from, to, nmPerUnit);
        return format.incremental() ? current + value : value;
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
            Aperture a = current;
            if (a != null) {
                emit(new Feature.Stroke(a, segment, orientation, dark, line, objectAttributes()));
            } else {
                missingAperture();
            }
        }
    }

    private void flash(Pt to) {
        Aperture a = current;
        if (a == null) {
            missingAperture();
        } else if (a instanceof Aperture.Block blockAperture) {
            for (Feature f : blockAperture.features()) {
                emit(f.placed(orientation, to, dark));
            }
        } else {
            emit(new Feature.Flash(a, to, orientation, dark, line, objectAttributes()));
            if (currentFunction.equals("ComponentMain")) {
                components.add(attributes.component(to, line));
            }
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
        return attributes.objectAttributes(currentFunction);
    }

    private void emit(Feature feature) {
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
