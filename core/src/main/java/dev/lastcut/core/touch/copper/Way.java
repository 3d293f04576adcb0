package dev.lastcut.core.touch.copper;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.linearref.LengthIndexedLine;

/** A line of several corners along which vias are put. */
record Way(LineString line) {
    static Way of(List<Pt> corners) {
        return new Way(
                Geo.FACTORY.createLineString(
                        corners.stream().map(Pt::coordinate).toArray(Coordinate[]::new)));
    }

    /** How many whole pitches it is long. */
    double pitches(double pitch) {
        return Math.floor(line.getLength() / pitch);
    }

    /** A place each pitch, nm, from its first corner on. */
    Stream<Pt> places(double pitch) {
        LengthIndexedLine index = new LengthIndexedLine(line);
        return LongStream.rangeClosed(0, (long) pitches(pitch))
                .mapToObj(i -> Pt.of(index.extractPoint(i * pitch)));
    }
}
