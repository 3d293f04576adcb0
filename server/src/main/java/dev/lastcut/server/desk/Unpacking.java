package dev.lastcut.server.desk;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Parcel;
import dev.lastcut.core.cut.Parcels;
import dev.lastcut.core.cut.Verification;
import dev.lastcut.core.cut.Verification.Fault;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.desk.Delivery.Arrived;
import dev.lastcut.server.desk.Delivery.RefusedDeliveryException;
import dev.lastcut.server.orders.PackingList;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.sheets.SheetLibrary;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Unpacks what was uploaded: a cut, a zip from anywhere, or parcels by their packing list. */
final class Unpacking {
    private static final String SHEET = "sheet.json";
    private static final String TICKET = "ticket.json";

    /** The comment of a parcel ends so: "hive, revision 1, cut 2". */
    private static final Pattern OF_CUT = Pattern.compile(", cut (\\d+)$");

    /** The end of the list of a zip's files (PKWARE application note, 4.3.16). */
    private static final int END_BYTES = 22;

    private final SheetLibrary shops = new SheetLibrary();
    private final Function<String, Optional<byte[]>> parcels;

    /**
     * @param parcels what was sent before, by its SHA-256
     */
    Unpacking(Function<String, Optional<byte[]>> parcels) {
        this.parcels = parcels;
    }

    /** Whether an upload is a packing list rather than files. */
    static boolean isList(byte[] upload) {
        return upload.length > 0 && upload[0] == '{';
    }

    /**
     * @throws IllegalArgumentException when it cannot be read as one
     */
    static PackingList list(byte[] upload) {
        try {
            PackingList list = Json.MAPPER.readValue(upload, PackingList.class);
            if (list == null || list.parcels() == null || list.parcels().isEmpty()) {
                throw new IllegalArgumentException("The packing list names no parcel.");
            }
            for (PackingList.Item p : list.parcels()) {
                if (p == null || p.name() == null || p.sha256() == null) {
                    throw new IllegalArgumentException(
                            "The packing list has a parcel without a name or a hash.");
                }
            }
            return list;
        } catch (JacksonException e) {
            throw new IllegalArgumentException(
                    "The packing list cannot be read: " + e.getOriginalMessage() + ".", e);
        }
    }

    Delivery unpack(String sha256, byte[] upload) throws RefusedDeliveryException {
        try {
            return isList(upload)
                    ? parcels(sha256, upload.length, list(upload))
                    : zip(sha256, upload);
        } catch (UnusablePackException
                | SheetJson.BadSheetException
                | BadTicketException
                | IllegalArgumentException e) {
            throw new RefusedDeliveryException(e.getMessage());
        }
    }

    /** One zip: a cut as it was made, or files from anywhere. */
    private Delivery zip(String sha256, byte[] zip)
            throws RefusedDeliveryException,
                    UnusablePackException,
                    SheetJson.BadSheetException,
                    BadTicketException {
        Verification held = Verification.of(zip);
        Optional<Fault> fault =
                held.faults().stream()
                        .filter(f -> f.kind() != Verification.Kind.MANIFEST)
                        .findFirst();
        if (fault.isPresent()) {
            throw new RefusedDeliveryException(
                    "It is not as its manifest says. " + fault.get().says());
        }
        Map<String, byte[]> files = files("the upload", zip);
        if (!files.containsKey(SHEET)) {
            return new Delivery(
                    sha256,
                    zip.length,
                    Optional.empty(),
                    Ticket.BLANK,
                    files,
                    true,
                    files.size() + " files arrived. No list says what they are.",
                    List.of());
        }
        Ticket ticket = files.containsKey(TICKET) ? Tickets.parse(files.get(TICKET)) : Ticket.BLANK;
        return new Delivery(
                sha256,
                zip.length,
                Optional.of(shop(SheetJson.parse(files.get(SHEET)))),
                ticket,
                files,
                false,
                held.isWhole()
                        ? "All " + held.files() + " files arrived as their manifest lists them."
                        : "It has no manifest to go by.",
                List.of());
    }

    /** The desk's own sheet of the shop, or what was sent of a shop it does not know. */
    private CapabilitySheet shop(CapabilitySheet said) throws RefusedDeliveryException {
        CapabilitySheet shop = shops.find(said.id()).orElse(said);
        if (shop.isMill()) {
            throw new RefusedDeliveryException(
                    shop.name() + " is a mill: what is made there is not ordered here.");
        }
        return shop;
    }

    private Optional<CapabilitySheet> shop(PackingList list, Ticket ticket)
            throws RefusedDeliveryException, SheetJson.BadSheetException {
        if (said(list.sheet())) {
            return Optional.of(shop(SheetJson.parse(Json.write(list.sheet()))));
        }
        Optional<CapabilitySheet> known = ticket.shop().flatMap(shops::find);
        if (known.isEmpty() && ticket.shop().isPresent()) {
            throw new RefusedDeliveryException(
                    "The desk does not know the shop "
                            + ticket.shop().get()
                            + ": send its sheet with the packing list.");
        }
        return known.isPresent() ? Optional.of(shop(known.get())) : known;
    }

    private static boolean said(JsonNode node) {
        return node != null && !node.isNull();
    }

    private Delivery parcels(String sha256, long bytes, PackingList list)
            throws RefusedDeliveryException,
                    UnusablePackException,
                    SheetJson.BadSheetException,
                    BadTicketException {
        Ticket ticket =
                said(list.ticket()) ? Tickets.parse(Json.write(list.ticket())) : Ticket.BLANK;
        Optional<CapabilitySheet> shop = shop(list, ticket);
        Map<String, byte[]> files = new LinkedHashMap<>();
        List<Arrived> arrived = new ArrayList<>();
        boolean plain = false;
        long all = bytes;
        for (PackingList.Item item : list.parcels()) {
            byte[] content =
                    parcels.apply(item.sha256())
                            .orElseThrow(
                                    () ->
                                            new RefusedDeliveryException(
                                                    item.name() + " has not arrived. Send it."));
            if (arrived.stream().anyMatch(a -> a.item().name().equals(item.name()))) {
                throw new RefusedDeliveryException(
                        "The packing list has two parcels called " + item.name() + ".");
            }
            ofItsCut(item, content);
            Map<String, byte[]> inside =
                    item.name().endsWith(".zip")
                            ? files(item.name(), content)
                            : Map.of(item.name(), content);
            Optional<Parcel> asked = shop.flatMap(s -> named(s, item.name()));
            Optional<Map<String, byte[]>> placed =
                    asked.flatMap(p -> Parcels.asInCut(p, item.name(), inside));
            boolean cut = inside.containsKey(SHEET) && placed.isEmpty();
            plain |= placed.isEmpty() && !cut;
            Map<String, byte[]> own = placed.orElse(inside);
            files.putAll(own);
            arrived.add(new Arrived(item, content.length, own.keySet()));
            all += content.length;
        }
        String check =
                arrived.size() == 1
                        ? "One parcel arrived as the packing list has it."
                        : "All "
                                + arrived.size()
                                + " parcels arrived as the packing list has them.";
        return new Delivery(sha256, all, shop, ticket, files, plain, check, arrived);
    }

    private static Optional<Parcel> named(CapabilitySheet shop, String file) {
        return shop.parcels().stream()
                .filter(p -> file.startsWith(p.name() + "."))
                .filter(p -> file.indexOf('.', p.name().length() + 1) < 0)
                .findFirst();
    }

    /** A zip that says of which cut it is must be of the one that the list gives. */
    private static void ofItsCut(PackingList.Item item, byte[] content)
            throws RefusedDeliveryException {
        Matcher said = OF_CUT.matcher(comment(content));
        if (said.find() && item.cut() > 0 && Integer.parseInt(said.group(1)) != item.cut()) {
            throw new RefusedDeliveryException(
                    item.name()
                            + " is of cut "
                            + said.group(1)
                            + ", and the packing list has it of cut "
                            + item.cut()
                            + ". Send the parcel of cut "
                            + item.cut()
                            + ".");
        }
    }

    /** The comment at the end of a zip; empty for none and for what is no zip. */
    private static String comment(byte[] zip) {
        for (int i = zip.length - END_BYTES; i >= Math.max(0, zip.length - 400); i--) {
            if (zip[i] == 'P' && zip[i + 1] == 'K' && zip[i + 2] == 5 && zip[i + 3] == 6) {
                int from = i + END_BYTES;
                return new String(zip, from, zip.length - from, StandardCharsets.UTF_8);
            }
        }
        return "";
    }

    private static Map<String, byte[]> files(String name, byte[] zip) throws UnusablePackException {
        Pack pack = PackReader.fromZip(name, zip);
        Map<String, byte[]> files = new LinkedHashMap<>();
        pack.files().forEach(f -> files.put(f.path(), f.content()));
        return files;
    }
}
