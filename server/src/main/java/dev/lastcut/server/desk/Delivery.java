package dev.lastcut.server.desk;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.orders.PackingList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What arrived at the desk, unpacked.
 *
 * @param shop who is to make it; empty where nothing says so
 * @param ticket what is ordered
 * @param files by their paths in a cut, or, of a plain delivery, as they came
 * @param plain whether they are files from anywhere rather than those of a cut
 * @param check what came of holding it against its own list, in a sentence
 * @param parcels it came in; none where it came as one
 */
record Delivery(
        String sha256,
        long bytes,
        Optional<CapabilitySheet> shop,
        Ticket ticket,
        Map<String, byte[]> files,
        boolean plain,
        String check,
        List<Arrived> parcels) {
    /** A parcel with the paths of the files that came in it. */
    record Arrived(PackingList.Item item, long bytes, Set<String> paths) {}

    /** It cannot be taken, for a reason in a sentence. */
    static final class RefusedDeliveryException extends Exception {
        private static final long serialVersionUID = 1;

        RefusedDeliveryException(String sentence) {
            super(sentence);
        }
    }
}
