package dev.lastcut.server.cli;

import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.StatedThickness;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.job.PanelBoardSource;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Packs that a ticket names for its panel: beside the ticket, or else beside the job's pack. */
final class PacksBeside implements PanelBoardSource {
    /** Reads a pack from a place. */
    interface Reader {
        Pack read(Path path) throws IOException, UnusablePackException;
    }

    private final List<Path> folders = new ArrayList<>();
    private final Reader reader;
    private final Map<String, Other> known = new HashMap<>();

    /**
     * @param files the files beside which packs lie, the first before the others
     */
    PacksBeside(List<Path> files, Reader reader) {
        files.forEach(f -> folders.add(f.toAbsolutePath().getParent()));
        this.reader = reader;
    }

    @Override
    public Other find(String pack) throws UnusablePackException {
        Other other = known.get(pack);
        if (other == null) {
            other = read(pack);
            known.put(pack, other);
        }
        return other;
    }

    private Other read(String pack) throws UnusablePackException {
        for (Path folder : folders) {
            for (String name : List.of(pack, pack + ".zip")) {
                try {
                    Path path = folder.resolve(name);
                    if (Files.exists(path)) {
                        Pack read = reader.read(path);
                        return new Other(
                                new BoardGeometry(Intake.open(read)), StatedThickness.of(read));
                    }
                } catch (InvalidPathException e) {
                    throw new UnusablePackException(pack + " is no name of a file");
                } catch (IOException e) {
                    throw new UnusablePackException(pack + " cannot be read: " + e.getMessage());
                }
            }
        }
        throw new UnusablePackException(
                "there is neither a pack " + pack + " nor " + pack + ".zip beside the ticket");
    }
}
