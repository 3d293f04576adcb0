package dev.lastcut.core.ticket;

import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.PackageName;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.current.NetPath;
import dev.lastcut.core.intake.Choices;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A choice that names what is not there: a file, a net, a tool.
 *
 * @param part where in the ticket: the part, and the name in it
 * @param says what is wrong, to be read after the part
 * @param designator the part of the board it is about; empty for others
 */
public record TicketConflict(String part, String says, Optional<String> designator) {
    public TicketConflict(String part, String says) {
        this(part, says, Optional.empty());
    }

    private static TicketConflict of(String designator, String part, String says) {
        return new TicketConflict(part, says, Optional.of(designator));
    }

    private static final String NO_PART = "the pack's tables have no such part";
    private static final String NO_NET = "the board has no net of this name";

    /**
     * Choices about files that the pack does not have.
     *
     * @param there the paths of those it has
     */
    public static List<TicketConflict> files(Ticket ticket, Set<String> there) {
        Choices c = ticket.files();
        List<TicketConflict> all = new ArrayList<>();
        missing("roles", c.roles().keySet(), there, all);
        missing("formats", c.formats().keySet(), there, all);
        missing("units_nm", c.unitsNm().keySet(), there, all);
        missing("tool_sizes", c.toolSizes().keySet(), there, all);
        missing("columns", c.columns().keySet(), there, all);
        missing("corrections", c.corrections().keySet(), there, all);
        return all;
    }

    /** A strip board that the shop does not have. */
    public static List<TicketConflict> stock(Ticket ticket, CapabilitySheet sheet) {
        return sheet.strip()
                .flatMap(
                        terms ->
                                ticket.strip()
                                        .stock()
                                        .filter(name -> terms.named(name).isEmpty())
                                        .map(
                                                name ->
                                                        new TicketConflict(
                                                                "strip.stock",
                                                                sheet.name()
                                                                        + " has no board “"
                                                                        + name
                                                                        + "”")))
                .map(List::of)
                .orElse(List.of());
    }

    private static void missing(
            String part, Collection<String> named, Set<String> there, List<TicketConflict> all) {
        named.stream()
                .filter(p -> !there.contains(p))
                .sorted()
                .forEach(
                        p ->
                                all.add(
                                        new TicketConflict(
                                                part + "." + p, "the pack has no such file")));
    }

    /** Nets of currents and of the mill's leftover copper that the board does not have. */
    public static List<TicketConflict> nets(Ticket ticket, BoardGeometry geometry) {
        List<TicketConflict> all = new ArrayList<>();
        for (NetCurrent c : ticket.currents()) {
            if (NetPath.named(geometry, c.net()).isEmpty()) {
                all.add(new TicketConflict("currents." + c.net(), NO_NET));
            }
        }
        String ground = ticket.mill().ground();
        if (!ground.isEmpty() && NetPath.named(geometry, ground).isEmpty()) {
            all.add(new TicketConflict("mill.ground." + ground, NO_NET));
        }
        return all;
    }

    /** Parts of the ticket's variants that the pack's tables do not have. */
    public static List<TicketConflict> parts(Ticket ticket, Board board) {
        List<TicketConflict> all = new ArrayList<>();
        Variants v = ticket.parts().variants();
        Map<String, List<PlacedPart>> placed = Population.placed(board);
        Set<String> there = new HashSet<>(placed.keySet());
        board.parts().ifPresent(l -> l.forEach(p -> there.add(p.designator())));
        fittings("parts", v.base(), there, placed, all);
        v.named().forEach((n, own) -> fittings("variants." + n, own, there, placed, all));
        v.built()
                .filter(name -> !v.named().containsKey(name))
                .ifPresent(
                        name ->
                                all.add(
                                        new TicketConflict(
                                                "variant",
                                                "there is no variant " + name + " in the ticket")));
        none("needs", ticket.parts().needs().keySet(), there, all);
        none("turns.parts", ticket.parts().turns().parts().keySet(), there, all);
        none("notes", ticket.parts().notes().keySet(), there, all);
        none("by_hand.parts", ticket.parts().byHand().parts().keySet(), there, all);
        packages("turns.packages", ticket.parts().turns().packages().keySet(), board, all);
        packages("stencil.packages", ticket.stencil().packages().keySet(), board, all);
        packages("by_hand.packages", ticket.parts().byHand().packages(), board, all);
        packages("polarity", ticket.parts().polarity().keySet(), board, all);
        return all;
    }

    private static void none(
            String part, Collection<String> named, Set<String> there, List<TicketConflict> all) {
        named.stream()
                .filter(d -> !there.contains(d))
                .forEach(d -> all.add(of(d, part + "." + d, NO_PART)));
    }

    /** Packages that no part has, neither as its footprint nor in its footprint's name. */
    private static void packages(
            String part, Collection<String> named, Board board, List<TicketConflict> all) {
        Set<String> footprints = new HashSet<>();
        board.placements().ifPresent(l -> l.forEach(p -> footprints.add(p.footprint())));
        board.parts().ifPresent(l -> l.forEach(p -> footprints.add(p.footprint())));
        Set<String> packages = footprints.stream().map(PackageName::of).collect(Collectors.toSet());
        named.stream()
                .filter(n -> !footprints.contains(n) && !packages.contains(n))
                .forEach(
                        n ->
                                all.add(
                                        new TicketConflict(
                                                part + "." + n, "no part has this package")));
    }

    private static void fittings(
            String part,
            Map<String, Fitting> own,
            Set<String> there,
            Map<String, List<PlacedPart>> placed,
            List<TicketConflict> all) {
        own.forEach(
                (designator, f) -> {
                    String path = part + "." + designator;
                    List<PlacedPart> places = placed.getOrDefault(designator, List.of());
                    if (!there.contains(designator)) {
                        all.add(of(designator, path, NO_PART));
                    } else if (f.footprint().isPresent()
                            && places.stream()
                                    .noneMatch(p -> p.footprint().equals(f.footprint().get()))) {
                        String has =
                                places.isEmpty()
                                        ? "it is not placed"
                                        : "it has "
                                                + places.stream()
                                                        .map(PlacedPart::footprint)
                                                        .distinct()
                                                        .collect(Collectors.joining(", "));
                        all.add(
                                of(
                                        designator,
                                        path + ".footprint",
                                        "the board has no footprint "
                                                + f.footprint().get()
                                                + " for it; "
                                                + has));
                    }
                });
    }

    /** Tools that the mill's rack does not have. */
    public static List<TicketConflict> tools(Ticket ticket, CapabilitySheet sheet) {
        List<TicketConflict> all = new ArrayList<>();
        sheet.mill()
                .ifPresent(
                        mill -> {
                            Set<String> rack =
                                    mill.rack().stream()
                                            .map(Cutter::id)
                                            .collect(Collectors.toSet());
                            for (String tool : ticket.setup(sheet).tools()) {
                                if (!rack.contains(tool)) {
                                    all.add(
                                            new TicketConflict(
                                                    "mill.tools." + tool,
                                                    "the rack of "
                                                            + sheet.name()
                                                            + " has no such tool"));
                                }
                            }
                        });
        return all;
    }

    public String sentence() {
        return part + ": " + says;
    }
}
