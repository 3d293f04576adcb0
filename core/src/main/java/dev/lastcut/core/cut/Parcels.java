package dev.lastcut.core.cut;

import static java.util.stream.Collectors.toSet;

import dev.lastcut.core.capability.Parcel;
import dev.lastcut.core.capability.Parcel.Content;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The files of a cut as a shop takes them: in parcels, each one upload. */
public final class Parcels {
    private static final String FOLDER = "parcels/";

    private Parcels() {}

    /**
     * The parcels a shop asks for that hold anything; a zip's comment names the job and the cut.
     *
     * @param made every file the parcels are filled from
     * @param created time of the entries, ISO 8601, UTC
     * @param title of the job and the cut
     */
    public static List<OutputFile> of(
            List<Parcel> asked, List<OutputFile> made, String created, String title) {
        List<OutputFile> all = new ArrayList<>();
        for (Parcel p : asked) {
            List<OutputFile> files = filled(p, made);
            if (files.size() == 1) {
                String path = files.get(0).path();
                String ending = path.substring(path.lastIndexOf('.'));
                all.add(
                        new OutputFile(
                                FOLDER + p.name() + ending,
                                files.get(0).content(),
                                "parcel: " + path));
            } else if (!files.isEmpty()) {
                String folder = folder(files);
                List<OutputFile> inside =
                        files.stream()
                                .map(
                                        f ->
                                                new OutputFile(
                                                        f.path().substring(folder.length()),
                                                        f.content(),
                                                        f.purpose()))
                                .toList();
                all.add(
                        new OutputFile(
                                FOLDER + p.name() + ".zip",
                                ZipFiles.write(inside, created, title),
                                "parcel: " + words(p) + ", " + files.size() + " files"));
            }
        }
        return all;
    }

    /**
     * What a shop asks for that this board has nothing for, a sentence each; of any job there is a
     * report.
     */
    public static List<String> empty(List<Parcel> asked, List<OutputFile> made) {
        return asked.stream()
                .filter(p -> !p.holds().contains(Content.REPORT) && filled(p, made).isEmpty())
                .map(p -> "The parcel " + p.name() + " is not made: there is no " + words(p) + ".")
                .toList();
    }

    /**
     * The files of a parcel by their paths in the cut.
     *
     * @param file the parcel's file name, as {@code board.zip} or {@code list.csv}
     * @param inside what it holds, by the paths within it; of no zip, the file by its own name
     * @return empty where it cannot be told where they lay: a parcel of several folders that was
     *     packed without them
     */
    public static Optional<Map<String, byte[]>> asInCut(
            Parcel asked, String file, Map<String, byte[]> inside) {
        if (!file.endsWith(".zip")) {
            return Optional.of(Map.of(path(asked, file), inside.get(file)));
        }
        Set<String> folders = asked.holds().stream().map(Parcels::home).collect(toSet());
        if (folders.size() == 1) {
            String folder = folders.iterator().next();
            Map<String, byte[]> all = new LinkedHashMap<>();
            inside.forEach((p, b) -> all.put(folder + p, b));
            return Optional.of(all);
        }
        boolean inFolders =
                inside.keySet().stream()
                        .allMatch(p -> folders.stream().anyMatch(f -> isBelow(p, f)));
        return inFolders ? Optional.of(inside) : Optional.empty();
    }

    private static boolean isBelow(String path, String folder) {
        return folder.isEmpty() ? path.indexOf('/') < 0 : path.startsWith(folder);
    }

    /** Where the only file of a parcel lay, as far as it matters to who reads it. */
    private static String path(Parcel asked, String file) {
        String ending = file.substring(file.lastIndexOf('.'));
        Content c = asked.holds().stream().sorted().findFirst().orElseThrow();
        return switch (c) {
            case PARTS_LIST -> "assembly/parts" + ending;
            case PLACEMENT -> "assembly/placement" + ending;
            case DRAWING -> "assembly/drawing" + ending;
            default -> home(c) + file;
        };
    }

    /** The folder of a cut that holds them, with its slash. */
    private static String home(Content c) {
        return switch (c) {
            case FABRICATION -> "fabrication/";
            case STENCIL -> "stencil/";
            case PANEL -> "panel/";
            case PARTS_LIST, PLACEMENT, DRAWING -> "assembly/";
            case PROGRAMS -> "milling/";
            case MECHANICAL -> "mechanical/";
            case REPORT -> "";
        };
    }

    /**
     * Whether two parcels of one name hold the same but for the stamps of their cuts.
     *
     * @param aAt and {@code bAt}, when each cut was made, ISO 8601, UTC
     */
    public static boolean isSame(String file, byte[] a, String aAt, byte[] b, String bAt) {
        if (!file.endsWith(".zip")) {
            return Stamp.isSame(file, a, aAt, b, bAt);
        }
        Map<String, byte[]> one = CutZip.all(a);
        Map<String, byte[]> other = CutZip.all(b);
        return one.keySet().equals(other.keySet())
                && one.keySet().stream()
                        .allMatch(p -> Stamp.isSame(p, one.get(p), aAt, other.get(p), bAt));
    }

    private static List<OutputFile> filled(Parcel p, List<OutputFile> made) {
        return made.stream()
                .filter(f -> p.holds().stream().anyMatch(c -> isOf(c, f.path())))
                .toList();
    }

    private static boolean isOf(Content c, String path) {
        return switch (c) {
            case FABRICATION -> path.startsWith("fabrication/");
            case STENCIL -> path.startsWith("stencil/");
            case PANEL -> path.startsWith("panel/");
            case PARTS_LIST -> path.equals("assembly/parts.csv");
            case PLACEMENT -> path.matches("assembly/placement[^/]*\\.csv");
            case DRAWING -> path.equals("assembly/drawing.pdf");
            case PROGRAMS -> path.startsWith("milling/");
            case MECHANICAL -> path.startsWith("mechanical/");
            case REPORT -> path.matches("report\\.[a-z.]+");
        };
    }

    /** The folder all of them lie in, with its slash; empty where they lie in several. */
    private static String folder(List<OutputFile> files) {
        Set<String> folders =
                files.stream()
                        .map(f -> f.path().substring(0, f.path().indexOf('/') + 1))
                        .collect(toSet());
        return folders.size() == 1 ? folders.iterator().next() : "";
    }

    private static String words(Parcel p) {
        return p.holds().stream()
                .sorted()
                .map(c -> c.id().replace('-', ' '))
                .collect(Collectors.joining(", "));
    }
}
