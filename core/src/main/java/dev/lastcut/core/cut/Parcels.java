package dev.lastcut.core.cut;

import dev.lastcut.core.capability.Parcel;
import dev.lastcut.core.capability.Parcel.Content;
import java.util.ArrayList;
import java.util.List;
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
                        .collect(Collectors.toSet());
        return folders.size() == 1 ? folders.iterator().next() : "";
    }

    private static String words(Parcel p) {
        return p.holds().stream()
                .sorted()
                .map(c -> c.id().replace('-', ' '))
                .collect(Collectors.joining(", "));
    }
}
