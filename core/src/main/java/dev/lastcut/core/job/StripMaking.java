package dev.lastcut.core.job;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.strip.StripBoard;
import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.search.StripProposal;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.core.work.WorkLimit;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The way of a strip board: the plan of the ticket, or the computer's where there is none. */
public final class StripMaking {
    private StripMaking() {}

    /** Why a shop cannot make anything of a pack's board, in a sentence; empty when it can. */
    public static Optional<String> unfit(Board board, CapabilitySheet sheet) {
        boolean connected = board.connections().isPresent() || board.netlist().isPresent();
        if (sheet.strip().isPresent() && !connected) {
            return Optional.of(
                    "Nothing says what is connected: bring in a netlist or a table of connections"
                            + " for strip board.");
        }
        if (sheet.strip().isEmpty() && !board.isDrawn()) {
            return Optional.of(
                    sheet.name()
                            + " makes boards from Gerber and drill files, and this pack has none."
                            + " Choose strip board, or bring in the layout's fabrication files.");
        }
        return Optional.empty();
    }

    /** The circuit of a pack's board. */
    public static StripCircuit circuit(Board read, StripChoices choices) {
        return StripCircuit.of(read, choices.ownForms());
    }

    /**
     * A pack's circuit on strip board; nothing is laid out where nothing says what is connected.
     */
    static Touched laidOut(BoardGeometry read, StripTerms terms, TicketDependencies ticket) {
        StripChoices choices = ticket.ask(Ticket::strip);
        StripCircuit circuit = circuit(read.board(), choices);
        StripLayout layout =
                choices.plan()
                        .map(plan -> chosen(circuit, terms, choices, plan))
                        .orElseGet(
                                () ->
                                        StripProposal.of(
                                                circuit,
                                                terms,
                                                choices,
                                                Map.of(),
                                                done -> {},
                                                StripMaking::isCancelled));
        return new Touched(read, StripBoard.of(read.board(), layout), List.of());
    }

    /** A plan of the user's on the board it names, or on the smallest that holds it. */
    private static StripLayout chosen(
            StripCircuit circuit, StripTerms terms, StripChoices choices, StripPlan plan) {
        StripTerms.Stock stock =
                plan.stock()
                        .or(choices::stock)
                        .flatMap(terms::named)
                        .or(
                                () ->
                                        terms.stock().stream()
                                                .filter(s -> s.strips() >= plan.strips())
                                                .filter(s -> s.holes() >= plan.holes())
                                                .findFirst())
                        .orElse(terms.stock().get(terms.stock().size() - 1));
        return new StripLayout(circuit, terms, stock, plan, false);
    }

    /** A cancelled search is given up, for its result is no longer wanted. */
    private static boolean isCancelled() {
        WorkLimit.step();
        return false;
    }
}
