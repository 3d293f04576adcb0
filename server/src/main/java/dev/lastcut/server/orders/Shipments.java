package dev.lastcut.server.orders;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.cut.CutZip;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.cut.Parcels;
import dev.lastcut.core.cut.ZipFiles;
import dev.lastcut.core.quote.OrderChoices;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Makes up what is sent to a desk: the parcels of a cut, or the files as they came. */
@Component
class Shipments {
    /** In place of a cut's number: the files as they were brought in. */
    static final int AS_THEY_CAME = 0;

    private static final String PARCELS = "parcels/";
    private static final String EPOCH = "1980-01-01T00:00:00Z";

    private final OutputService outputs;
    private final JobService jobs;

    Shipments(OutputService outputs, JobService jobs) {
        this.outputs = outputs;
        this.jobs = jobs;
    }

    /**
     * What is sent.
     *
     * @param parcels the bytes of each, by its SHA-256
     */
    record Shipment(PackingList list, Map<String, byte[]> parcels) {
        byte[] bytes() {
            return Json.write(list);
        }
    }

    /** A cut, unpacked. */
    private record Cut(
            int number,
            String created,
            CapabilitySheet sheet,
            Ticket ticket,
            Map<String, byte[]> files) {
        /** Its parcels by their names; of a shop that takes none, the cut as a whole. */
        Map<String, byte[]> parcels(byte[] zip) {
            Map<String, byte[]> all = new LinkedHashMap<>();
            files.forEach(
                    (path, content) -> {
                        if (path.startsWith(PARCELS)) {
                            all.put(path.substring(PARCELS.length()), content);
                        }
                    });
            return all.isEmpty() ? Map.of("cut.zip", zip) : all;
        }
    }

    /**
     * @param cut its number, or {@link #AS_THEY_CAME}
     * @param before what the desk has of another cut: a parcel that is the same but for the stamp
     *     of its cut is not sent again
     * @throws RefusedException when there is nothing that could be sent
     */
    Shipment of(long job, int cut, Optional<PackingList> before) {
        return cut == AS_THEY_CAME ? asTheyCame(job) : parcels(job, cut, before);
    }

    /** Whether what a packing list orders is what is chosen now. */
    boolean isAsChosen(long job, PackingList list) {
        try {
            Ticket then = Tickets.parse(Json.write(list.ticket()));
            Ticket now = jobs.ticket(job);
            CapabilitySheet sheet = SheetJson.parse(Json.write(list.sheet()));
            return !now.shop().equals(then.shop())
                    || OrderChoices.ofFilesMadeFor(sheet, then.order(), now.order())
                            .equals(then.order());
        } catch (BadTicketException | SheetJson.BadSheetException e) {
            throw new IllegalStateException("the list was written here", e);
        }
    }

    private static Order order(Cut cut, Ticket now) {
        Order made = cut.ticket.order();
        return now.shop().equals(cut.ticket.shop())
                ? OrderChoices.ofFilesMadeFor(cut.sheet, made, now.order())
                : made;
    }

    private Shipment parcels(long job, int number, Optional<PackingList> before) {
        byte[] zip = outputs.cutZip(job, number);
        Cut cut = cut(number, zip);
        Map<Integer, Optional<Cut>> others = new LinkedHashMap<>();
        Map<String, byte[]> parcels = new LinkedHashMap<>();
        List<PackingList.Item> items = new ArrayList<>();
        cut.parcels(zip)
                .forEach(
                        (name, content) -> {
                            Optional<PackingList.Item> there =
                                    before.flatMap(b -> item(b, name))
                                            .filter(
                                                    i ->
                                                            isSame(
                                                                    name,
                                                                    i,
                                                                    others.computeIfAbsent(
                                                                            i.cut(),
                                                                            n -> other(job, n)),
                                                                    content,
                                                                    cut));
                            PackingList.Item item =
                                    there.orElseGet(
                                            () ->
                                                    new PackingList.Item(
                                                            name,
                                                            Manifest.sha256(content),
                                                            number));
                            items.add(item);
                            parcels.put(
                                    item.sha256(),
                                    there.isPresent()
                                            ? others.get(item.cut())
                                                    .orElseThrow()
                                                    .files
                                                    .get(PARCELS + name)
                                            : content);
                        });
        Ticket now = jobs.ticket(job);
        return new Shipment(list(cut.sheet, cut.ticket, order(cut, now), items), parcels);
    }

    private static Optional<PackingList.Item> item(PackingList list, String name) {
        return list.parcels().stream().filter(i -> i.name().equals(name)).findFirst();
    }

    private Optional<Cut> other(long job, int number) {
        return number == AS_THEY_CAME
                ? Optional.empty()
                : Optional.of(cut(number, outputs.cutZip(job, number)));
    }

    private static boolean isSame(
            String name, PackingList.Item item, Optional<Cut> other, byte[] content, Cut cut) {
        byte[] old = other.map(o -> o.files.get(PARCELS + name)).orElse(null);
        return old != null
                && Manifest.sha256(old).equals(item.sha256())
                && Parcels.isSame(name, old, other.get().created, content, cut.created);
    }

    private static Cut cut(int number, byte[] zip) {
        Map<String, byte[]> files = CutZip.all(zip);
        try {
            Ticket ticket = Tickets.parse(files.get("ticket.json"));
            return new Cut(
                    number,
                    ticket.made().at().orElse(EPOCH),
                    SheetJson.parse(files.get("sheet.json")),
                    ticket,
                    files);
        } catch (BadTicketException | SheetJson.BadSheetException e) {
            throw new RefusedException(
                    "Cut "
                            + number
                            + " cannot be read any more ("
                            + e.getMessage()
                            + ")."
                            + " Make a new cut.");
        }
    }

    private Shipment asTheyCame(long job) {
        Ticket now = jobs.ticket(job);
        CapabilitySheet sheet =
                jobs.sheet(job)
                        .orElseThrow(
                                () ->
                                        new RefusedException(
                                                "Choose at Shop first who is to make it."));
        List<OutputFile> files =
                jobs.pack(job).files().stream()
                        .map(f -> new OutputFile(f.path(), f.content(), ""))
                        .toList();
        byte[] zip = ZipFiles.write(files, EPOCH, "");
        PackingList.Item item =
                new PackingList.Item("as-they-came.zip", Manifest.sha256(zip), AS_THEY_CAME);
        return new Shipment(
                list(sheet, Ticket.BLANK, now.order(), List.of(item)), Map.of(item.sha256(), zip));
    }

    private static PackingList list(
            CapabilitySheet sheet, Ticket made, Order order, List<PackingList.Item> items) {
        Ticket ticket =
                Ticket.BLANK
                        .withShop(sheet.id())
                        .with(
                                d -> {
                                    d.order = order;
                                    d.parts = made.parts();
                                    d.panel = made.panel();
                                });
        return new PackingList(
                Json.MAPPER.readTree(Tickets.write(ticket)),
                Json.MAPPER.valueToTree(SheetJson.of(sheet)),
                items);
    }
}
