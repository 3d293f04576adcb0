package dev.lastcut.core.formats.gerber;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Geometry;

/** What we write is strict X2: nothing the specification calls deprecated. */
class GerberWriterTest {
    private static Feature.Flash flash(Aperture a, ObjectAttributes attributes) {
        return new Feature.Flash(a, Pt.mm(1.5, -2), Orientation.NONE, true, 0, attributes);
    }

    private static String write(List<Feature> features) {
        return new String(
                GerberWriter.write(GerberWriter.fileAttributes("Copper,L1,Top", true), features),
                StandardCharsets.UTF_8);
    }

    @Test
    void theWholeFileOfOnePad() {
        ObjectAttributes pad = new ObjectAttributes("SMDPad", "VCC", "U1", "14");
        assertThat(write(List.of(flash(new Aperture.Rectangle(1_000_000, 500_000, 0), pad))))
                .isEqualTo(
                        """
                        %FSLAX46Y46*%
                        %MOMM*%
                        %TF.GenerationSoftware,Last Cut,last-cut,1*%
                        %TF.FileFunction,Copper,L1,Top*%
                        %TF.FilePolarity,Positive*%
                        %TF.SameCoordinates,pack*%
                        %TF.Part,Single*%
                        %TA.AperFunction,SMDPad*%
                        %ADD10R,1X0.5*%
                        %TD.AperFunction*%
                        G75*
                        %TO.N,VCC*%
                        %TO.P,U1,14*%
                        D10*
                        X1500000Y-2000000D03*
                        M02*
                        """);
    }

    @Test
    void namesWithReservedCharactersComeBack() {
        for (String net : List.of("A*B", "50%", "a,b", "µC", "back\\slash")) {
            ObjectAttributes a = new ObjectAttributes("", net, "", "");
            byte[] bytes =
                    write(List.of(flash(new Aperture.Circle(1e6, 0), a)))
                            .getBytes(StandardCharsets.UTF_8);
            GerberFile read = GerberReader.read("t", bytes);
            assertThat(read.problems()).isEmpty();
            assertThat(read.features().get(0).attributes().net()).isEqualTo(net);
        }
    }

    @Test
    void nothingDeprecatedIsWritten() {
        List<Feature> features = new ArrayList<>();
        features.add(flash(new Aperture.Polygon(2e6, 5, 12.5, 4e5), ObjectAttributes.NONE));
        features.add(
                new Feature.Stroke(
                        new Aperture.Circle(2e5, 0),
                        new Segment.Arc(Pt.mm(5, 0), Pt.mm(0, 5), 0, 0, false),
                        Orientation.NONE,
                        false,
                        0,
                        ObjectAttributes.NONE));
        features.add(
                new Feature.Region(
                        List.of(
                                List.of(
                                        new Segment.Line(Pt.mm(0, 0), Pt.mm(3, 0)),
                                        new Segment.Arc(
                                                Pt.mm(3, 0), Pt.mm(0, 0), 1.5e6, 0, false))),
                        true,
                        0,
                        ObjectAttributes.NONE));
        String text = write(features);
        assertThat(text)
                .doesNotContainPattern(
                        "G54|G55|G70|G71|G74|G90|G91|%IP|%AS|%MI|%SF|%OF|%IN|%LN|M00|M01");
        // Every operation carries its own code.
        assertThat(text.lines().filter(l -> l.startsWith("X")))
                .allMatch(l -> l.matches(".*D0[123]\\*"));
        // The polarity is set where it changes, and set back.
        assertThat(text.indexOf("%LPC*%")).isBetween(0, text.indexOf("%LPD*%"));
    }

    /** Macros are written evaluated; thermals and moirés in any turn keep their picture. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "7,0.5,0.25,3,2,0.4,30*",
                "6,0.5,0.5,4,0.2,0.3,3,0.1,4.5,20*",
                "1,1,2,1,0,45*1,0,1,1,0,45*",
                "4,1,3,0,0,2,0,1,2,0,0,-17*",
                "5,1,8,1,1,2,22.5*21,0,0.4,0.4,1,1,22.5*"
            })
    void macrosKeepTheirPicture(String body) {
        String source =
                "%FSLAX46Y46*%%MOMM*%%AMT*"
                        + body
                        + "%%ADD10T*%D10*X3000000Y1000000D03*%LR37*%X9000000D03*M02*";
        List<Feature> features =
                GerberReader.read("t", source.getBytes(StandardCharsets.UTF_8)).features();
        GerberFile again = GerberReader.read("t", write(features).getBytes(StandardCharsets.UTF_8));
        assertThat(again.problems()).isEmpty();
        Geometry a = LayerImage.of(features, Flattener.FINE).area();
        Geometry b = LayerImage.of(again.features(), Flattener.FINE).area();
        assertThat(a.getArea()).isPositive();
        assertThat(Geo.symmetricDifference(a, b).getArea() / 1e12).isCloseTo(0, within(2e-5));
    }
}
