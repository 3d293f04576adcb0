package dev.lastcut.core.intake;

import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.core.intake.reading.BesideFiles;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;

/** Takes packs apart: zips, folders, loose files. Everything from outside is bounded. */
public final class PackReader {
    public static final int MOST_FILES = 500;
    public static final long MOST_BYTES = 256L << 20;

    /** A zip may hold zips, and these may too. */
    private static final int MOST_NESTED = 2;

    private PackReader() {}

    /**
     * @throws UnusablePackException when it is not a zip, is empty, is protected, holds zips nested
     *     too deep, unpacks beyond the limits or names a path outside itself
     */
    public static Pack fromZip(String name, byte[] zip) throws UnusablePackException {
        if (zip.length < 4 || zip[0] != 'P' || zip[1] != 'K') {
            throw new UnusablePackException(
                    name + " is not a zip file: bring in a .zip, a folder or the loose files.");
        }
        if (zip.length > 8 && zip[2] == 3 && (zip[6] & 1) == 1) {
            throw new UnusablePackException(
                    name + " is protected by a password: bring in an open zip.");
        }
        List<PackFile> files = new ArrayList<>();
        unpack(name, "", zip, 0, files);
        return checked(name, files);
    }

    /** A zip's files, and those of the zips in it, each under its zip's name as in a folder. */
    private static void unpack(
            String name, String within, byte[] zip, int depth, List<PackFile> files)
            throws UnusablePackException {
        String what = within.isEmpty() ? name : name + " (" + within + ")";
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                if (e.isDirectory()) {
                    continue;
                }
                String path = safePath(name, e.getName());
                byte[] content = read(name, in, MOST_BYTES - total(files));
                String full = within.isEmpty() ? path : within + "/" + path;
                boolean zipped =
                        path.toLowerCase().endsWith(".zip")
                                && !BesideFiles.isLeftBehind(path)
                                && isZip(content);
                if (!zipped) {
                    add(name, files, full, content);
                } else if (depth == MOST_NESTED) {
                    throw new UnusablePackException(
                            name
                                    + " holds zips within zips within zips ("
                                    + full
                                    + "): unpack them and bring in the files of one board.");
                } else {
                    unpack(name, full, content, depth + 1, files);
                }
            }
        } catch (ZipException | IllegalArgumentException e) {
            throw new UnusablePackException(
                    what + " is a damaged zip (" + e.getMessage() + "): pack the files again.");
        } catch (IOException e) {
            throw new UnusablePackException(
                    what + " is a zip that was cut off: copy or download it again.");
        }
    }

    private static long total(List<PackFile> files) {
        return files.stream().mapToLong(f -> f.content().length).sum();
    }

    /**
     * @throws UnusablePackException as for zips
     * @throws IOException when the folder cannot be read
     */
    public static Pack fromFolder(Path folder) throws UnusablePackException, IOException {
        String name = String.valueOf(folder.getFileName());
        List<PackFile> files = new ArrayList<>();
        List<Path> paths;
        try (Stream<Path> walk = Files.walk(folder, 8)) {
            paths = walk.filter(Files::isRegularFile).limit(MOST_FILES + 1L).toList();
        }
        long total = 0;
        for (Path p : paths) {
            total += Files.size(p);
            if (total > MOST_BYTES) {
                throw tooLarge(name);
            }
            String path = folder.relativize(p).toString().replace('\\', '/');
            add(name, files, path, Files.readAllBytes(p));
        }
        return checked(name, files);
    }

    /** Loose files, each given with its path; a single zip among them is taken apart. */
    public static Pack fromLoose(String name, List<PackFile> given) throws UnusablePackException {
        if (given.size() == 1 && given.get(0).path().toLowerCase().endsWith(".zip")) {
            return fromZip(given.get(0).path(), given.get(0).content());
        }
        List<PackFile> files = new ArrayList<>();
        long total = 0;
        for (PackFile f : given) {
            total += f.content().length;
            if (total > MOST_BYTES) {
                throw tooLarge(name);
            }
            add(name, files, safePath(name, f.path()), f.content());
        }
        return checked(name, files);
    }

    private static void add(String name, List<PackFile> files, String path, byte[] content)
            throws UnusablePackException {
        if (path.isEmpty() || path.endsWith("/")) {
            return;
        }
        boolean zipped = path.toLowerCase().endsWith(".zip") && !BesideFiles.isLeftBehind(path);
        if (zipped && isZip(content)) {
            unpack(name, path, content, 1, files);
            return;
        }
        if (files.size() >= MOST_FILES) {
            throw new UnusablePackException(
                    name + " holds more than " + MOST_FILES + " files: bring in one board only.");
        }
        files.add(new PackFile(path, content));
    }

    private static boolean isZip(byte[] content) {
        return content.length > 3 && content[0] == 'P' && content[1] == 'K';
    }

    private static String safePath(String name, String path) throws UnusablePackException {
        String p = path.replace('\\', '/');
        boolean climbs = p.startsWith("/") || p.matches("[A-Za-z]:.*") || p.indexOf('\0') >= 0;
        for (String step : p.split("/")) {
            climbs |= step.equals("..");
        }
        if (climbs) {
            throw new UnusablePackException(
                    name
                            + " names a file outside its own folder ('"
                            + path
                            + "'): pack the files again without such paths.");
        }
        return p;
    }

    private static byte[] read(String name, InputStream in, long limit)
            throws IOException, UnusablePackException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] buffer = new byte[1 << 16];
        for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
            if (out.size() + (long) n > limit) {
                throw tooLarge(name);
            }
            out.write(buffer, 0, n);
        }
        return out.toByteArray();
    }

    private static UnusablePackException tooLarge(String name) {
        return new UnusablePackException(
                name
                        + " unpacks to more than "
                        + (MOST_BYTES >> 20)
                        + " MB: no board is that large; bring in its files alone.");
    }

    /** A cut of ours holds its files once more as parcels: a copy of the board is no second one. */
    private static void withoutParcels(List<PackFile> files) {
        List<String> cuts =
                files.stream()
                        .map(PackFile::path)
                        .filter(p -> p.equals("manifest.json") || p.endsWith("/manifest.json"))
                        .map(p -> p.substring(0, p.length() - "manifest.json".length()))
                        .toList();
        files.removeIf(f -> cuts.stream().anyMatch(c -> f.path().startsWith(c + "parcels/")));
    }

    private static Pack checked(String name, List<PackFile> files) throws UnusablePackException {
        withoutParcels(files);
        if (files.isEmpty()) {
            throw new UnusablePackException(
                    name + " holds no files: bring in the board's Gerber and drill files.");
        }
        Set<String> seen = new HashSet<>();
        for (PackFile f : files) {
            if (!seen.add(f.path())) {
                throw new UnusablePackException(
                        name + " holds " + f.path() + " twice: pack the files again.");
            }
        }
        files.sort(Comparator.comparing(PackFile::path));
        return new Pack(name, files);
    }
}
