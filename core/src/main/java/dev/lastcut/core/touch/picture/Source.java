package dev.lastcut.core.touch.picture;

import dev.lastcut.core.formats.drawing.Drawing;
import dev.lastcut.core.formats.drawing.DxfReader;
import dev.lastcut.core.formats.drawing.SvgReader;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Work;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Where a drawing comes from: a file of the pack, or what the ticket itself holds.
 *
 * @param path of a file; empty where the drawing is given
 * @param given the text of an SVG or DXF drawing; empty where a path is
 */
public record Source(String path, String given) {
    /** Nobody draws so many by hand; they would make the board too slow to work with. */
    private static final int MOST_SEGMENTS = 50_000;

    private static final int LARGEST = 4 << 20;

    public Source {
        if (path.isBlank() == given.isBlank()) {
            throw new IllegalArgumentException(
                    "a drawing is either a path of the pack or given as text");
        }
        if (given.length() > LARGEST) {
            throw new IllegalArgumentException("a drawing in a ticket has at most 4 MB");
        }
    }

    public static Source file(String path) {
        return new Source(path, "");
    }

    public String words() {
        return path.isBlank() ? "as given" : path.substring(path.lastIndexOf('/') + 1);
    }

    public List<String> files() {
        return path.isBlank() ? List.of() : List.of(path);
    }

    /**
     * @throws NotDone when there is no such file, or nothing can be read of it
     */
    public Drawing read(Work work) throws NotDone {
        byte[] content;
        if (path.isBlank()) {
            content = given.getBytes(StandardCharsets.UTF_8);
        } else {
            Optional<byte[]> file = work.drawings().file(path);
            if (file.isEmpty()) {
                throw new NotDone("The pack has no file " + path);
            }
            content = file.get();
        }
        return of(words(), content);
    }

    /**
     * @throws NotDone when nothing can be read of a drawing's bytes
     */
    public static Drawing of(String name, byte[] content) throws NotDone {
        return checked(
                name,
                isSvg(content)
                        ? SvgReader.read(name, content, Optional.empty())
                        : DxfReader.read(name, content, Optional.empty()));
    }

    /**
     * All layers of a drawing, not those of an edge alone.
     *
     * @throws NotDone when nothing can be read of its bytes
     */
    public static Drawing allLayers(String name, byte[] content) throws NotDone {
        return checked(
                name,
                isSvg(content)
                        ? SvgReader.read(name, content, Optional.empty())
                        : DxfReader.allLayers(name, content));
    }

    private static boolean isSvg(byte[] content) {
        String start =
                new String(content, 0, Math.min(content.length, 2000), StandardCharsets.UTF_8)
                        .toLowerCase(Locale.ROOT);
        return start.contains("<svg") || start.stripLeading().startsWith("<");
    }

    private static Drawing checked(String name, Drawing d) throws NotDone {
        if (!d.looksLikeDrawing() || d.segments().isEmpty()) {
            throw new NotDone("Nothing can be read of the drawing " + name);
        }
        if (d.segments().size() > MOST_SEGMENTS) {
            throw new NotDone(
                    "The drawing "
                            + name
                            + " has "
                            + d.segments().size()
                            + " pieces; at most 50,000 can be worked with. Draw it simpler");
        }
        return d;
    }
}
