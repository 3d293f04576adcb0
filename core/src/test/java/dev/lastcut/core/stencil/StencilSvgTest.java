package dev.lastcut.core.stencil;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.geometry.Geo;
import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Read back by a general XML parser: true size, y down, every opening in its place. */
class StencilSvgTest {
    @Test
    void openingsAreInTrueSizeAndPlace() throws Exception {
        Geometry board = Geo.rectangle(10_000_000, 20_000_000, 60_000_000, 50_000_000);
        Geometry openings =
                Geo.union(
                        Geo.rectangle(12_000_000, 22_000_000, 13_000_000, 22_500_000),
                        Geo.rectangle(50_000_000, 45_000_000, 51_500_000, 46_000_000));
        Document svg =
                DocumentBuilderFactory.newInstance()
                        .newDocumentBuilder()
                        .parse(new ByteArrayInputStream(StencilSvg.write(openings, board)));
        Element root = svg.getDocumentElement();
        assertThat(root.getAttribute("width")).isEqualTo("50.0000mm");
        assertThat(root.getAttribute("viewBox")).isEqualTo("0 0 50.0000 30.0000");
        List<Geometry> read = new ArrayList<>();
        var group = (Element) svg.getElementsByTagName("g").item(0);
        var paths = group.getElementsByTagName("path");
        for (int i = 0; i < paths.getLength(); i++) {
            read.add(ring(((Element) paths.item(i)).getAttribute("d")));
        }
        assertThat(read).hasSize(2);
        Geometry back = Geo.union(read);
        assertThat(back.getArea()).isCloseTo(0.5 + 1.5, within(1e-6));
        // The lower opening's lower left corner: 2 mm from the left, 28 mm from the top.
        assertThat(
                        read.stream()
                                .anyMatch(
                                        g ->
                                                g.getEnvelopeInternal().getMinX() == 2
                                                        && g.getEnvelopeInternal().getMaxY() == 28))
                .isTrue();
    }

    private static Geometry ring(String d) {
        List<Coordinate> points = new ArrayList<>();
        for (String p : d.replace("Z", "").split("[ML]")) {
            if (!p.isBlank()) {
                String[] xy = p.trim().split(" ");
                points.add(new Coordinate(Double.parseDouble(xy[0]), Double.parseDouble(xy[1])));
            }
        }
        points.add(points.get(0));
        return new org.locationtech.jts.geom.GeometryFactory()
                .createPolygon(points.toArray(Coordinate[]::new));
    }
}
