package dev.lastcut.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.review.Review.Subject;
import dev.lastcut.core.ticket.Acceptance;
import dev.lastcut.core.ticket.Reviewed;
import dev.lastcut.core.ticket.Ticket;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is to be reviewed before a cut, by whom it was, and when that lapses. */
class ReviewTest {
    private static final CapabilitySheet SHOP = shop();

    private static CapabilitySheet shop() {
        OptionalInt any = OptionalInt.empty();
        return TestBoards.house(Map.of())
                .with(
                        new Assembly(
                                List.of(Side.TOP),
                                new Assembly.Counts(any, any, any, any),
                                new Assembly.Fees(0, 0, 0, 0),
                                Assembly.ListForm.USUAL,
                                Optional.empty(),
                                Optional.empty(),
                                Assembly.PlacementForm.USUAL,
                                new Assembly.Line(
                                        Optional.empty(),
                                        0,
                                        Set.of(Mounting.values()),
                                        Optional.empty())));
    }

    /** A resistor, and a diode of which nothing says where its cathode is. */
    private static BoardGeometry board() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.box(10, 10, 1, 1.2, 0).box(12, 10, 1, 1.2, 0);
        t.pin("A", "R1", "1", 10, 10).pin("B", "R1", "2", 12, 10);
        t.box(20, 10, 1, 1.2, 0).box(22, 10, 1, 1.2, 0);
        t.pin("A", "D1", "1", 20, 10).pin("B", "D1", "2", 22, 10);
        t.listed("R1,1k,0805,P1", "D1,red,0805,P2");
        t.placed("R1,1k,0805,11,10,0,top", "D1,red,0805,21,10,0,top");
        return new BoardGeometry(t.outline(0, 0, 50, 30).board());
    }

    private static Map<Subject, Review> of(Ticket ticket) {
        Map<Subject, Review> all = new java.util.EnumMap<>(Subject.class);
        of(board(), ticket, Optional.empty()).forEach(r -> all.put(r.subject(), r));
        return all;
    }

    private static List<Review> of(BoardGeometry board, Ticket ticket, Optional<CheckRun> run) {
        Assignments who = Assignments.of(board, SHOP, ticket.order(), ticket.parts());
        return Review.of(board, SHOP, ticket, who, run);
    }

    private static Ticket ordered(Order order) {
        return Ticket.BLANK.with(d -> d.order = order);
    }

    @Test
    void aBareOrderHasNoPlacementToReview() {
        assertThat(of(Ticket.BLANK)).doesNotContainKey(Subject.PLACEMENT);
        assertThat(of(ordered(TestBoards.FITTED)).get(Subject.PLACEMENT).says())
                .contains("2 parts that the shop fits");
    }

    @Test
    void aSignOffLapsesWhenWhatWasLookedAtChanges() {
        Ticket fitted = ordered(TestBoards.FITTED);
        String of = of(fitted).get(Subject.PLACEMENT).of();
        Ticket signed = fitted.with(d -> d.reviewed = Map.of("placement", new Reviewed("Ada", of)));
        assertThat(of(signed).get(Subject.PLACEMENT).by()).contains("Ada");
        assertThat(of(signed).get(Subject.POLARITY).by()).isEmpty();
        Ticket turned = signed.with(d -> d.parts = d.parts.with(Turns.NONE.ofPart("D1", 180)));
        Review lapsed = of(turned).get(Subject.PLACEMENT);
        assertThat(lapsed.by()).isEmpty();
        assertThat(lapsed.lapsed()).contains("Ada");
    }

    @Test
    void assumedPolarityIsNamedUntilItIsTold() {
        assertThat(of(Ticket.BLANK).get(Subject.POLARITY).says()).endsWith("assumed for D1");
        Ticket told = Ticket.BLANK.with(d -> d.parts = d.parts.polarised("0805", Optional.of("2")));
        assertThat(of(told)).doesNotContainKey(Subject.POLARITY);
    }

    /** Findings signed off one by one are not to be looked at again. */
    @Test
    void findingsToLookAtAreThoseNotSignedOff() {
        BoardGeometry board = board();
        CheckRun run = CheckRunner.run(new CheckContext(board, SHOP, Headroom.NONE));
        var looks = run.findings().stream().filter(f -> f.severity() == Severity.LOOK).toList();
        assertThat(looks).isNotEmpty();
        List<Review> open = of(board, Ticket.BLANK, Optional.of(run));
        assertThat(open.get(0).says()).startsWith(looks.size() + " finding");
        List<Acceptance> all = new ArrayList<>();
        looks.forEach(f -> all.add(Acceptance.of(f, "Ada", "known", 1, "2026-01-01T00:00:00Z")));
        Ticket signed = Ticket.BLANK.with(d -> d.signOffs = all);
        assertThat(of(board, signed, Optional.of(run)))
                .noneMatch(r -> r.subject() == Subject.FINDINGS);
    }
}
