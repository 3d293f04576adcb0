package dev.lastcut.core.ticket;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.current.NetPath;
import dev.lastcut.core.intake.Choices;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A choice that names what is not there: a file, a net, a tool.
 *
 * @param part where in the ticket: the part, and the name in it
 * @param says what is wrong, to be read after the part
 */
public record Misfit(String part, String says) {
    private static final String NO_NET = "the board has no net of this name";

    /**
     * Choices about files that the pack does not have.
     *
     * @param there the paths of those it has
     */
    public static List<Misfit> files(Ticket ticket, Set<String> there) {
        Choices c = ticket.files();
        List<Misfit> all = new ArrayList<>();
        missing("roles", c.roles().keySet(), there, all);
        missing("formats", c.formats().keySet(), there, all);
        missing("units_nm", c.unitsNm().keySet(), there, all);
        missing("corrections", c.corrections().keySet(), there, all);
        return all;
    }

    private static void missing(
            String part, Collection<String> named, Set<String> there, List<Misfit> all) {
        named.stream()
                .filter(p -> !there.contains(p))
                .sorted()
                .forEach(p -> all.add(new Misfit(part + "." + p, "the pack has no such file")));
    }

    /** Nets of currents and of the mill's leftover copper that the board does not have. */
    public static List<Misfit> nets(Ticket ticket, BoardGeometry geometry) {
        List<Misfit> all = new ArrayList<>();
        for (NetCurrent c : ticket.currents()) {
            if (NetPath.named(geometry, c.net()).isEmpty()) {
                all.add(new Misfit("currents." + c.net(), NO_NET));
            }
        }
        String ground = ticket.mill().ground();
        if (!ground.isEmpty() && NetPath.named(geometry, ground).isEmpty()) {
            all.add(new Misfit("mill.ground." + ground, NO_NET));
        }
        return all;
    }

    /** Tools that the mill's rack does not have. */
    public static List<Misfit> tools(Ticket ticket, CapabilitySheet sheet) {
        List<Misfit> all = new ArrayList<>();
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
                                            new Misfit(
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
