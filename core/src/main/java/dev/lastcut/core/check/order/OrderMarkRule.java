package dev.lastcut.core.check.order;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Optional;

/** The place for the house's order mark: is it said, is it on the board, is it free? */
public final class OrderMarkRule implements Rule {
    @Override
    public String id() {
        return "order-mark";
    }

    @Override
    public String title() {
        return "Place of the order mark";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.word(OrderOption.ORDER_MARK).filter(OrderMark.OUR_PLACE::equals).isEmpty()) {
            return Outcome.notRun("the order mark is not ordered at a place of ours");
        }
        Optional<OrderMark> mark = c.orderMark();
        if (mark.isEmpty() && c.wish(OrderOption.ORDER_MARK).isEmpty()) {
            return Outcome.notRun("nothing was chosen about the order mark");
        }
        if (mark.isEmpty()) {
            return Outcome.of(
                    List.of(
                            new FindingBuilder(id())
                                    .severity(Severity.LOOK)
                                    .say(
                                            "The order mark is ordered at a place of ours, and no"
                                                    + " place is said: the house prints it where it"
                                                    + " likes. Say where at Shop.")));
        }
        OrderMark m = mark.get();
        return Outcome.of(
                OrderMarkPlace.obstacles(c.geometry(), m).stream()
                        .map(o -> finding(o.at(), m, o.what()))
                        .toList());
    }

    private Finding finding(Pt at, OrderMark m, String what) {
        return new FindingBuilder(id())
                .severity(Severity.LOOK)
                .layers(Role.of(Role.Kind.SILK, m.side()).id())
                .at(at)
                .say(
                        "The place for the order mark, "
                                + m.words()
                                + ", "
                                + what
                                + ". Give it a free place at Shop.");
    }
}
