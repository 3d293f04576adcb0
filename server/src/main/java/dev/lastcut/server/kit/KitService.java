package dev.lastcut.server.kit;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.parts.PartsService;
import dev.lastcut.server.store.KitStore;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;

/** What of a job's bench kit is soldered, and the pictures dropped into its steps. */
@Service
public class KitService {
    private static final int MOST_BYTES = 10 * 1024 * 1024;
    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G'};
    private static final byte[] JPEG = {(byte) 0xff, (byte) 0xd8, (byte) 0xff};

    private final PartsService parts;
    private final KitStore store;

    KitService(PartsService parts, KitStore store) {
        this.parts = parts;
        this.store = store;
    }

    /** The parts that are ticked, for each of so many boards. */
    public List<List<String>> ticked(long job, int boards) {
        Map<Integer, List<String>> all = store.done(job);
        return IntStream.rangeClosed(1, boards)
                .mapToObj(b -> all.getOrDefault(b, List.of()))
                .toList();
    }

    /** The parts that are ticked on every one of so many boards. */
    public Set<String> done(long job, int boards) {
        return onAll(ticked(job, boards));
    }

    /** The parts that are ticked on every one of the boards given. */
    public static Set<String> onAll(List<List<String>> ticked) {
        Set<String> all = new LinkedHashSet<>(ticked.get(0));
        ticked.forEach(all::retainAll);
        return all;
    }

    /**
     * Ticks parts, or takes their ticks back.
     *
     * @param board which of the boards, counted from 1; empty for all of them
     * @param boards how many there are
     * @throws RefusedException when there is no such part or board: then nothing is ticked
     */
    public void tick(
            long job,
            Optional<Integer> board,
            int boards,
            Collection<String> designators,
            boolean done) {
        known(job, designators, "Nothing was ticked");
        if (board.isPresent() && (board.get() < 1 || board.get() > boards)) {
            throw new RefusedException(
                    "Nothing was ticked: there is no board " + board.get() + " of " + boards + ".");
        }
        store.tick(
                job,
                board.map(List::of)
                        .orElseGet(() -> IntStream.rangeClosed(1, boards).boxed().toList()),
                designators,
                done,
                Instant.now().truncatedTo(ChronoUnit.SECONDS).toString());
    }

    private void known(long job, Collection<String> designators, String otherwise) {
        Set<String> there =
                parts.parts(job).stream().map(Part::designator).collect(Collectors.toSet());
        for (String d : designators) {
            if (!there.contains(d)) {
                throw new RefusedException(otherwise + ": there is no part " + d + ".");
            }
        }
    }

    /** The parts that a picture was dropped to. */
    public Set<String> pictured(long job) {
        return store.pictured(job);
    }

    /**
     * Keeps a picture with a part, in place of an earlier one.
     *
     * @throws RefusedException when it is too large or no PNG or JPEG
     */
    public void put(long job, String designator, byte[] picture) {
        known(job, List.of(designator), "The picture was not kept");
        if (picture.length > MOST_BYTES) {
            throw new RefusedException(
                    "The picture was not kept: it has "
                            + picture.length / 1024 / 1024
                            + " MB, and up to 10 MB are. Save it smaller.");
        }
        if (!starts(picture, PNG) && !starts(picture, JPEG)) {
            throw new RefusedException("The picture was not kept: it is neither a PNG nor a JPEG.");
        }
        store.put(job, designator, picture);
    }

    private static boolean starts(byte[] content, byte[] with) {
        for (int i = 0; i < with.length; i++) {
            if (content.length <= i || content[i] != with[i]) {
                return false;
            }
        }
        return true;
    }

    public void drop(long job, String designator) {
        store.drop(job, designator);
    }

    /** A kept picture; "image/png" or "image/jpeg" by {@link #type}. */
    public byte[] picture(long job, String designator) {
        return store.picture(job, designator)
                .orElseThrow(() -> new NotFoundException("No picture is with " + designator + "."));
    }

    public static String type(byte[] picture) {
        return starts(picture, PNG) ? "image/png" : "image/jpeg";
    }
}
