package dev.lastcut.core.formats.drawing;

import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.geometry.Length;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * Reads the shapes of an SVG drawing (W3C SVG 1.1, "Basic Shapes", "Paths", "Coordinate Systems").
 * Fills, strokes, text and images draw no outline. Documents with a DTD that defines entities are
 * refused: they can reach outside the file.
 */
public final class SvgReader {
    /** CSS: 96 px to the inch. */
    private static final double PX_NM = Length.NM_PER_INCH / 96.0;

    private static final Pattern SIZE =
            Pattern.compile("\\s*([-+]?[\\d.]+(?:[eE][-+]?\\d+)?)\\s*(mm|cm|in|pt|pc|px|)\\s*");
    private static final Set<String> HIDDEN =
            Set.of("defs", "clipPath", "mask", "symbol", "pattern", "marker", "metadata");

    private final ProblemLog log;
    private final PathBuilder paths = new PathBuilder();
    private final Deque<AffineTransformation> frames = new ArrayDeque<>();
    private double nmPerUnit;
    private boolean stated;
    private boolean seen;

    private SvgReader(String file) {
        this.log = new ProblemLog(file);
    }

    /**
     * @param chosenNmPerUnit the scale the user chose; empty to take the file's own
     */
    public static Drawing read(String file, byte[] content, Optional<Double> chosenNmPerUnit) {
        return new SvgReader(file).run(content, chosenNmPerUnit);
    }

    private Drawing run(byte[] content, Optional<Double> chosen) {
        String text = new String(content, StandardCharsets.UTF_8);
        if (text.contains("<!ENTITY")) {
            log.add(
                    Code.NOT_READABLE,
                    1,
                    "the document defines entities, which can reach outside the file",
                    "refused; save it as a plain SVG");
            return drawing();
        }
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        int line = 1;
        try {
            XMLStreamReader in = factory.createXMLStreamReader(new ByteArrayInputStream(content));
            int hidden = 0;
            while (in.hasNext()) {
                int event = in.next();
                line = in.getLocation().getLineNumber();
                if (event == XMLStreamReader.START_ELEMENT) {
                    boolean hides = hidden > 0 || HIDDEN.contains(in.getLocalName());
                    hidden += hides ? 1 : 0;
                    start(in, hides || isInvisible(in), chosen);
                } else if (event == XMLStreamReader.END_ELEMENT) {
                    hidden -= hidden > 0 ? 1 : 0;
                    frames.poll();
                }
            }
        } catch (XMLStreamException | RuntimeException e) {
            String why = String.valueOf(e.getMessage()).split("\n")[0];
            log.add(
                    Code.TRUNCATED,
                    line,
                    "the document breaks off here (" + why + ")",
                    "everything up to there was read");
        }
        return drawing();
    }

    private Drawing drawing() {
        List<dev.lastcut.core.geometry.Segment> all = paths.segments();
        return new Drawing(
                all,
                nmPerUnit,
                DxfReader.words(nmPerUnit),
                stated,
                log.problems(),
                seen && !all.isEmpty());
    }

    private static boolean isInvisible(XMLStreamReader in) {
        String style = String.valueOf(in.getAttributeValue(null, "style")).replace(" ", "");
        return "none".equals(in.getAttributeValue(null, "display"))
                || style.contains("display:none");
    }

    private void start(XMLStreamReader in, boolean hidden, Optional<Double> chosen) {
        AffineTransformation to =
                frames.isEmpty()
                        ? new AffineTransformation()
                        : new AffineTransformation(frames.peek());
        if (in.getLocalName().equals("svg") && frames.isEmpty()) {
            seen = true;
            to = root(in, chosen);
        }
        String transform = in.getAttributeValue(null, "transform");
        int line = in.getLocation().getLineNumber();
        if (transform != null) {
            to.composeBefore(SvgTransform.parse(transform));
        }
        frames.push(to);
        if (hidden || !seen) {
            return;
        }
        try {
            SvgShapes.draw(in, to, paths);
        } catch (IllegalArgumentException e) {
            log.add(Code.BAD_NUMBER, line, in.getLocalName() + ": " + e.getMessage(), "left out");
        }
        if (in.getLocalName().equals("use")) {
            log.add(Code.UNKNOWN_COMMAND, line, "a 'use' element", "left out; draw it directly");
        }
    }

    /** The transform from the outermost units to nm: the view box gives the scale, y turns up. */
    private AffineTransformation root(XMLStreamReader in, Optional<Double> chosen) {
        Matcher width = SIZE.matcher(String.valueOf(in.getAttributeValue(null, "width")));
        Matcher height = SIZE.matcher(String.valueOf(in.getAttributeValue(null, "height")));
        double[] box = box(in.getAttributeValue(null, "viewBox"));
        double w = width.matches() ? Double.parseDouble(width.group(1)) : 0;
        double h = height.matches() ? Double.parseDouble(height.group(1)) : 0;
        String unit = width.matches() ? width.group(2) : "";
        double unitNm = unitNm(unit);
        if (box != null && w > 0) {
            nmPerUnit = w * unitNm / box[2];
        } else {
            nmPerUnit = unitNm;
        }
        stated = !unit.isEmpty() && !unit.equals("px");
        if (chosen.isPresent()) {
            nmPerUnit = chosen.get();
            stated = true;
        }
        double x0 = box == null ? 0 : box[0];
        double bottom = box == null ? h : box[1] + box[3];
        AffineTransformation to = AffineTransformation.scaleInstance(nmPerUnit, -nmPerUnit);
        to.composeBefore(AffineTransformation.translationInstance(-x0, -bottom));
        return to;
    }

    private static double unitNm(String unit) {
        return switch (unit) {
            case "mm" -> Length.NM_PER_MM;
            case "cm" -> 10.0 * Length.NM_PER_MM;
            case "in" -> Length.NM_PER_INCH;
            case "pt" -> Length.NM_PER_INCH / 72.0;
            case "pc" -> Length.NM_PER_INCH / 6.0;
            default -> PX_NM;
        };
    }

    private static double[] box(String text) {
        if (text == null) {
            return null;
        }
        String[] parts = text.strip().split("[\\s,]+");
        if (parts.length != 4) {
            return null;
        }
        double[] box = new double[4];
        for (int i = 0; i < 4; i++) {
            box[i] = Double.parseDouble(parts[i]);
        }
        return box[2] > 0 && box[3] > 0 ? box : null;
    }
}
