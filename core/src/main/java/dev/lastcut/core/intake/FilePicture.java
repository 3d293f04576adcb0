package dev.lastcut.core.intake;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.core.intake.picture.Grid;
import dev.lastcut.core.intake.picture.Ink;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** A small picture of one file, whatever it was taken for: to be recognised by eye. */
public final class FilePicture {
    private static final int SUB = 3;

    /** How large holes are shown of which no size is known. */
    private static final long DOT_NM = 800_000;

    private final List<Feature> features;
    private final boolean negative;
    private final Envelope extent = new Envelope();

    private FilePicture(List<Feature> features, boolean negative) {
        this.features = features;
        this.negative = negative;
        extent.expandToInclude(OutlineFit.extent(features));
    }

    /** Empty for files that show nothing: tables, texts, and what cannot be read. */
    public static Optional<FilePicture> of(PackFile file) {
        Reading r = Reading.of(file.path(), file.content());
        if (r instanceof Reading.Gerber g && !g.file().features().isEmpty()) {
            return Optional.of(new FilePicture(g.file().features(), g.file().isNegative()));
        }
        if (r instanceof Reading.Drawn d) {
            return Optional.of(new FilePicture(d.drawing().features(), false));
        }
        if (r instanceof Reading.Drill d && !d.file().places().isEmpty()) {
            List<Feature> holes = new ArrayList<>();
            d.file().holes().forEach(h -> holes.add(h.asStroke()));
            for (List<Hole> unsized : d.file().unsized().values()) {
                unsized.forEach(h -> holes.add(h.at(h.from(), h.to(), DOT_NM).asStroke()));
            }
            return Optional.of(new FilePicture(holes, false));
        }
        return Optional.empty();
    }

    /** The box about its places and middle lines, nm. */
    public Envelope extent() {
        return new Envelope(extent);
    }

    /**
     * How dark each pixel is, 0 to 1, row by row from the top.
     *
     * @param box what is to be seen, nm; it is shown whole, in its own proportions
     */
    public float[] darkness(Envelope box, int width, int height) {
        double pixel = Math.max(box.getWidth() / width, box.getHeight() / height) * 1.06 / SUB;
        pixel = Math.max(pixel, 1);
        double x0 = box.centre().x - pixel * SUB * width / 2;
        double y0 = box.centre().y - pixel * SUB * height / 2;
        Ink ink = Ink.of(features, new Grid(x0, y0, pixel, width * SUB, height * SUB), negative);
        float[] dark = new float[width * height];
        for (int row = 0; row < height; row++) {
            for (int column = 0; column < width; column++) {
                int sum = 0;
                for (int dy = 0; dy < SUB; dy++) {
                    sum +=
                            ink.count(
                                    (height - 1 - row) * SUB + dy,
                                    column * SUB,
                                    column * SUB + SUB - 1);
                }
                dark[row * width + column] = (float) sum / (SUB * SUB);
            }
        }
        return dark;
    }
}
