package dev.lastcut.core.formats.gerber;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/** Random pictures, written and read again, and drawn by an independent rasteriser (Java 2D). */
class GerberRoundTripTest {
    private static final int SIDE = 600;
    private static final double NM_PER_PIXEL = 20_000;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 5, 8, 13, 21, 34})
    void writtenAndReadAgainIsTheSamePicture(long seed) {
        List<Feature> features = random(new Random(seed), 60);
        byte[] written = GerberWriter.write(Map.of("FileFunction", "Copper,L1,Top"), features);
        GerberFile read = GerberReader.read("t.gbr", written);
        assertThat(read.problems()).as("seed %d", seed).isEmpty();
        Geometry a = LayerImage.of(features, Flattener.FINE).area();
        Geometry b = LayerImage.of(read.features(), Flattener.FINE).area();
        assertThat(Geo.symmetricDifference(a, b).getArea() / 1e12).isLessThan(1e-5);
        assertThat(read.features())
                .extracting(Feature::attributes)
                .isEqualTo(features.stream().map(Feature::attributes).toList());
    }

    @ParameterizedTest
    @ValueSource(longs = {101, 102, 103, 104})
    void pictureIsWhatAnIndependentRasteriserDraws(long seed) {
        List<Feature> features = random(new Random(seed), 40);
        Geometry ours = LayerImage.of(features, Flattener.FINE).area();
        BufferedImage theirs = rasterise(features);
        int wrong = 0;
        var locator = new org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator(ours);
        for (int py = 0; py < SIDE; py++) {
            for (int px = 0; px < SIDE; px++) {
                double x = (px + 0.5 - SIDE / 2.0) * NM_PER_PIXEL;
                double y = (py + 0.5 - SIDE / 2.0) * NM_PER_PIXEL;
                boolean inside = locator.locate(new Coordinate(x, y)) != 2;
                wrong += inside == (theirs.getRGB(px, py) == Color.BLACK.getRGB()) ? 0 : 1;
            }
        }
        // Only pixels whose middle lies on an edge may differ.
        assertThat(wrong).as("seed %d", seed).isLessThan(SIDE * SIDE / 1000);
    }

    private static List<Feature> random(Random r, int count) {
        List<Feature> features = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            boolean dark = r.nextInt(4) > 0;
            Pt at = place(r);
            Orientation turn =
                    r.nextBoolean()
                            ? Orientation.NONE
                            : new Orientation(r.nextBoolean(), r.nextInt(72) * 5, 1);
            ObjectAttributes attributes =
                    new ObjectAttributes("", r.nextBoolean() ? "NET*" + r.nextInt(5) : "", "", "");
            switch (r.nextInt(5)) {
                case 0 ->
                        features.add(
                                flash(new Aperture.Circle(size(r), 0), at, turn, dark, attributes));
                case 1 ->
                        features.add(
                                flash(
                                        new Aperture.Rectangle(size(r), size(r), 0),
                                        at,
                                        turn,
                                        dark,
                                        attributes));
                case 2 ->
                        features.add(
                                flash(
                                        new Aperture.Obround(size(r), size(r), 0),
                                        at,
                                        turn,
                                        dark,
                                        attributes));
                case 3 ->
                        features.add(
                                new Feature.Stroke(
                                        new Aperture.Circle(size(r) / 2, 0),
                                        new Segment.Line(at, place(r)),
                                        Orientation.NONE,
                                        dark,
                                        0,
                                        attributes));
                default -> {
                    Pt second = place(r);
                    Pt third = place(r);
                    features.add(
                            new Feature.Region(
                                    List.of(
                                            List.of(
                                                    new Segment.Line(at, second),
                                                    new Segment.Line(second, third),
                                                    new Segment.Line(third, at))),
                                    dark,
                                    0,
                                    attributes));
                }
            }
        }
        return features;
    }

    private static Feature flash(
            Aperture a, Pt at, Orientation turn, boolean dark, ObjectAttributes attributes) {
        return new Feature.Flash(a, at, turn, dark, 0, attributes);
    }

    private static double size(Random r) {
        return 2 * (100_000 + r.nextInt(800_000));
    }

    private static Pt place(Random r) {
        return new Pt(r.nextInt(10_000_000) - 5_000_000, r.nextInt(10_000_000) - 5_000_000);
    }

    private static BufferedImage rasterise(List<Feature> features) {
        BufferedImage image = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, SIDE, SIDE);
        g.translate(SIDE / 2.0, SIDE / 2.0);
        g.scale(1 / NM_PER_PIXEL, 1 / NM_PER_PIXEL);
        for (Feature f : features) {
            g.setColor(f.dark() ? Color.BLACK : Color.WHITE);
            g.fill(shape(f));
        }
        g.dispose();
        return image;
    }

    private static java.awt.Shape shape(Feature f) {
        if (f instanceof Feature.Stroke s) {
            var line =
                    new Line2D.Double(
                            s.path().from().x(),
                            s.path().from().y(),
                            s.path().to().x(),
                            s.path().to().y());
            return new java.awt.BasicStroke(
                            (float) s.roundWidth(),
                            java.awt.BasicStroke.CAP_ROUND,
                            java.awt.BasicStroke.JOIN_ROUND)
                    .createStrokedShape(line);
        }
        if (f instanceof Feature.Region region) {
            var path = new java.awt.geom.Path2D.Double();
            List<Segment> c = region.contours().get(0);
            path.moveTo(c.get(0).from().x(), c.get(0).from().y());
            c.forEach(s -> path.lineTo(s.to().x(), s.to().y()));
            return path;
        }
        Feature.Flash flash = (Feature.Flash) f;
        AffineTransform place =
                AffineTransform.getTranslateInstance(flash.at().x(), flash.at().y());
        place.rotate(Math.toRadians(flash.orientation().rotationDeg()));
        place.scale(flash.orientation().mirrored() ? -1 : 1, 1);
        return new Area(aperture(flash.aperture())).createTransformedArea(place);
    }

    private static java.awt.Shape aperture(Aperture a) {
        if (a instanceof Aperture.Circle c) {
            double d = c.diameter();
            return new Ellipse2D.Double(-d / 2, -d / 2, d, d);
        }
        if (a instanceof Aperture.Rectangle r) {
            return new Rectangle2D.Double(-r.width() / 2, -r.height() / 2, r.width(), r.height());
        }
        Aperture.Obround o = (Aperture.Obround) a;
        double arc = Math.min(o.width(), o.height());
        return new RoundRectangle2D.Double(
                -o.width() / 2, -o.height() / 2, o.width(), o.height(), arc, arc);
    }
}
