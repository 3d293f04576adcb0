package dev.lastcut.server.orders;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import tools.jackson.databind.JsonNode;

/**
 * What is to be made of which parcels, for a desk that has the parcels already.
 *
 * @param ticket the shop, what is ordered, and the parts and the panel as far as they matter to the
 *     price, as in a ticket
 * @param sheet of the shop, for a desk that does not know it; null where nothing is said
 * @param parcels in the order of the sheet
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PackingList(JsonNode ticket, JsonNode sheet, List<Item> parcels) {
    /**
     * One parcel.
     *
     * @param name its file name, as the sheet calls it: {@code board.zip}
     * @param sha256 of its bytes
     * @param cut the number of the cut it is of; 0 for files that are of no cut
     */
    public record Item(String name, String sha256, int cut) {}
}
