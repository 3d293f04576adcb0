package dev.lastcut.server.api;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Carriage;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Quote;
import dev.lastcut.core.check.EdgeFeatures;
import dev.lastcut.core.check.order.OrderMarkPlace;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.quote.JobQuote;
import dev.lastcut.core.quote.OrderChoices;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.report.QuoteJson;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is ordered of the chosen shop, and what each choice does. */
@RestController
@RequestMapping("/api/jobs/{id}/order")
class OrderController {
    private final JobService jobs;

    OrderController(JobService jobs) {
        this.jobs = jobs;
    }

    /**
     * The order.
     *
     * @param quote null where nobody knows the board's size, or no shop is chosen
     * @param mark where the order mark goes; null where no place is said
     * @param arrives when it would arrive if it was ordered now; null where that is not known
     * @param cutOff until when of a day it counts from that day; null for midnight
     * @param hints what the board has that an option is for, in sentences
     */
    record OrderView(
            int quantity,
            QuoteJson quote,
            List<OrderChoices.OrderChoice> options,
            OrderMarkView mark,
            String arrives,
            String cutOff,
            List<String> hints) {}

    /** A place of the order mark. */
    record OrderMarkView(double xMm, double yMm, String side) {
        static OrderMarkView of(OrderMark m) {
            return new OrderMarkView(
                    Length.toMm(m.at().x()), Length.toMm(m.at().y()), m.side().word());
        }
    }

    @GetMapping
    OrderView view(@PathVariable long id) {
        Ticket ticket = jobs.ticket(id);
        Optional<CapabilitySheet> sheet = jobs.sheet(id);
        if (sheet.isEmpty()) {
            return new OrderView(
                    ticket.order().quantity(), null, List.of(), null, null, null, List.of());
        }
        BoardGeometry geometry = jobs.board(id);
        Optional<Panel> panel =
                jobs.panel(id).map(p -> p.on(geometry)).flatMap(PanelAsk.Laid::panel);
        Asked asked = new Asked(geometry, sheet.get(), ticket, panel);
        return new OrderView(
                ticket.order().quantity(),
                asked.quote(ticket.order()).map(QuoteJson::of).orElse(null),
                asked.choices(),
                ticket.order().mark().map(OrderMarkView::of).orElse(null),
                asked.quote(ticket.order()).map(asked::arrives).orElse(null),
                sheet.get().calendar().cutOff().map(LocalTime::toString).orElse(null),
                hints(geometry, sheet.get()));
    }

    /** Where the order mark could go; null where there is no free place. */
    @GetMapping("/mark")
    OrderMarkView mark(@PathVariable long id) {
        return OrderMarkPlace.free(jobs.board(id)).map(OrderMarkView::of).orElse(null);
    }

    private static List<String> hints(BoardGeometry g, CapabilitySheet sheet) {
        List<String> hints = new ArrayList<>();
        int cut = EdgeFeatures.castellations(g).size();
        if (cut > 0 && sheet.options().containsKey(OrderOption.CASTELLATION)) {
            hints.add("The board has plated holes cut by its outline: " + cut + ".");
        }
        int fingers = EdgeFeatures.fingers(g).size();
        if (fingers > 0 && sheet.options().containsKey(OrderOption.BEVEL)) {
            hints.add("The board has " + fingers + " contacts of an edge connector.");
        }
        return hints;
    }

    /** What is known while a job's order is looked at. */
    private record Asked(
            BoardGeometry geometry, CapabilitySheet sheet, Ticket ticket, Optional<Panel> panel) {
        Optional<Quote> quote(Order order) {
            return JobQuote.of(geometry, sheet, order, ticket.parts(), panel);
        }

        /** As an ISO date, from now. */
        String arrives(Quote q) {
            int carried = sheet.price().carriage(ticket.order()).map(Carriage::days).orElse(0);
            return sheet.calendar()
                    .arrives(LocalDateTime.now(), q.days() - carried, carried)
                    .toString();
        }

        List<OrderChoices.OrderChoice> choices() {
            int layers = geometry.board().copper().size();
            return new OrderChoices(sheet, ticket.order(), layers, this::quote).all();
        }
    }
}
