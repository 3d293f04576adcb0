package dev.lastcut.core.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.level.ProbeGrid;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class TicketTest {
    private static final ProbedSurface SURFACE =
            new ProbedSurface(
                    new ProbeGrid(0, 0, 10e6, 10e6, 2, 2), "0 0 0.1\n10 0 0\n0 10 0\n10 10 0\n");

    private static MillSetup tools(String... ids) {
        return MillSetup.USUAL.withTools(List.of(ids));
    }

    private static MillSetup turned(MillSetup.FlipAxis axis) {
        MillSetup u = MillSetup.USUAL;
        return new MillSetup(
                u.tools(),
                u.sides(),
                u.clearing(),
                u.rubOut(),
                u.leaveOut(),
                u.leaveFreeCopper(),
                u.nick(),
                u.climb(),
                u.ground(),
                u.throughZero(),
                u.inStockX(),
                u.inStockY(),
                u.pins(),
                axis);
    }

    private static NetCurrent current(String net, double amps) {
        return new NetCurrent(net, amps, 10, Optional.empty(), Optional.empty());
    }

    @Test
    void eachMillKeepsItsOwnSetUp() {
        Ticket a = Ticket.BLANK.withShop("a").withMill(tools("v60"));
        Ticket b = a.withShop("b");
        assertThat(b.mill()).isEqualTo(MillSetup.USUAL);
        Ticket both = b.withMill(tools("flat1"));
        assertThat(both.withShop("a").mill()).isEqualTo(tools("v60"));
        // There and back again is where one was, to the last part.
        assertThat(both.withShop("a").withShop("b")).isEqualTo(both);
        assertThat(both.withShop("house").withShop("b")).isEqualTo(both);
    }

    @Test
    void aTicketForNoShopYetIsForTheFirstOneChosen() {
        assertThat(Ticket.BLANK.withMill(tools("v60")).withShop("a").mill())
                .isEqualTo(tools("v60"));
    }

    @Test
    void turnedOverTheOtherWayTheProbedBottomGoes() {
        Ticket probed =
                Ticket.BLANK
                        .withProbed(Side.TOP, Optional.of(SURFACE))
                        .withProbed(Side.BOTTOM, Optional.of(SURFACE));
        assertThat(probed.withMill(tools("v60")).probed()).hasSize(2);
        assertThat(probed.withMill(turned(MillSetup.FlipAxis.LEVEL)).probed())
                .containsOnlyKeys(Side.TOP);
        assertThat(Ticket.heights(probed.probed()).get(Side.TOP).at(0, 0)).isEqualTo(100_000);
    }

    @Test
    void oneCurrentForANet() {
        List<NetCurrent> two = List.of(current("GND", 1), current("GND", 2));
        assertThatThrownBy(() -> Ticket.BLANK.with(d -> d.currents = two))
                .hasMessageContaining("GND");
    }

    @Test
    void whatWasChosenInAnyOrderIsTheSame() {
        Map<LimitKey, Double> one = new EnumMap<>(LimitKey.class);
        one.put(LimitKey.CLEARANCE, 50_000.0);
        one.put(LimitKey.TRACK_WIDTH, 20_000.0);
        Map<LimitKey, Double> other = new HashMap<>();
        other.put(LimitKey.TRACK_WIDTH, 20_000.0);
        other.put(LimitKey.CLEARANCE, 50_000.0);
        Headroom a = new Headroom(0, one, Map.of());
        Headroom b = new Headroom(0, other, Map.of());
        assertThat(a).isEqualTo(b).hasToString(b.toString());
        // The order of what is written must not change from one run of the program to the next.
        assertThat(new ArrayList<>(b.absolute().keySet()))
                .containsExactly(LimitKey.TRACK_WIDTH, LimitKey.CLEARANCE);
        List<NetCurrent> sorted = List.of(current("A", 1), current("B", 1));
        List<NetCurrent> turned = List.of(current("B", 1), current("A", 1));
        assertThat(Ticket.BLANK.with(d -> d.currents = turned))
                .isEqualTo(Ticket.BLANK.with(d -> d.currents = sorted));
    }

    @Test
    void aResultServesAgainWhereverItsQuestionsHaveTheSameAnswers() {
        Ticket wide = Ticket.BLANK.with(d -> d.headroom = Headroom.ofPercent(10));
        TicketDependencies asking = new TicketDependencies(wide);
        assertThat(asking.ask(Ticket::headroom)).isEqualTo(Headroom.ofPercent(10));
        Ticket later = wide.withShop("a").with(d -> d.currents = List.of(current("GND", 1)));
        assertThat(asking.noted()).allMatch(n -> n.sameIn(later)).hasSize(1);
        assertThat(asking.noted()).noneMatch(n -> n.sameIn(Ticket.BLANK));
    }

    private static String changed(Ticket before, Ticket after) {
        return TicketWords.changed(before, after, id -> "the " + id);
    }

    @Test
    void everyChoiceIsSaidInWords() {
        Ticket t = Ticket.BLANK;
        assertThat(changed(t, t)).isEmpty();
        assertThat(changed(t, t.withShop("wren"))).isEqualTo("shop: the wren");
        Headroom own = new Headroom(0, Map.of(LimitKey.CLEARANCE, 50_000.0), Map.of());
        Ticket wide = t.with(d -> d.headroom = own);
        assertThat(changed(t, wide)).isEqualTo("headroom on clearance 0.05 mm");
        assertThat(changed(wide, t)).isEqualTo("headroom on clearance as on the rest");
        Role top = Role.of(Role.Kind.COPPER, Side.TOP);
        Ticket told = t.with(d -> d.files = Choices.roles(Map.of("a/top.gbr", top)));
        assertThat(changed(t, told)).isEqualTo("top.gbr is copper top");
        assertThat(changed(told, t)).isEqualTo("top.gbr as proposed");
        Correction move = new Correction(false, 0, 1, Pt.mm(1, 0));
        Ticket moved =
                t.with(d -> d.files = Choices.NONE.withCorrection("m.gbr", Optional.of(move)));
        assertThat(changed(t, moved)).isEqualTo("m.gbr moved by 1.000 mm right");
        Order thick = Order.USUAL.with(OrderOption.THICKNESS, "0.8");
        assertThat(changed(t, t.with(d -> d.order = thick))).isEqualTo("board thickness 0.8 mm");
        Ticket hot = t.with(d -> d.currents = List.of(current("GND", 1.5)));
        assertThat(changed(t, hot)).isEqualTo("1.5 A on GND");
        assertThat(changed(hot, t)).isEqualTo("no current on GND");
        assertThat(changed(t, t.withMill(tools("v60", "flat1"))))
                .isEqualTo("cutters v60 and flat1");
        assertThat(changed(t, t.withMill(turned(MillSetup.FlipAxis.LEVEL))))
                .isEqualTo("turned over level");
        assertThat(changed(t, t.with(d -> d.millsAside = Map.of("a", tools("v60")))))
                .isEqualTo("set-ups of other mills");
        assertThat(changed(t, t.withProbed(Side.TOP, Optional.of(SURFACE))))
                .isEqualTo("probed surface of the top");
    }

    @Test
    void manyChangesAtOnceAreCounted() {
        Map<String, Role> roles = new HashMap<>();
        for (int i = 0; i < 6; i++) {
            roles.put("f" + i, Role.OUTLINE);
        }
        String says = changed(Ticket.BLANK, Ticket.BLANK.with(d -> d.files = Choices.roles(roles)));
        assertThat(says).startsWith("f0 is outline; f1").endsWith("; and 3 more");
    }

    @Test
    void theNextRevisionKeepsWhatFitsAndSaysWhatDoesNot() {
        Role top = Role.of(Role.Kind.COPPER, Side.TOP);
        Ticket before =
                Ticket.BLANK
                        .withShop("a")
                        .with(
                                d ->
                                        d.files =
                                                Choices.roles(
                                                        Map.of(
                                                                "rev1/board-1.gtl",
                                                                top,
                                                                "gone.xyz",
                                                                Role.OUTLINE)));
        Pack next =
                new Pack(
                        "b",
                        List.of(
                                new Pack.PackFile("rev2/board-2.gtl", new byte[0]),
                                new Pack.PackFile("rev2/other.gbl", new byte[0])));
        RevisionCarryOver carried = RevisionCarryOver.over(before, next);
        assertThat(carried.ticket().files().roles()).isEqualTo(Map.of("rev2/board-2.gtl", top));
        assertThat(carried.ticket().shop()).contains("a");
        assertThat(carried.left()).hasSize(1).first().asString().contains("gone.xyz");
        assertThat(
                        TicketConflict.files(before, Set.of("gone.xyz")).stream()
                                .map(TicketConflict::sentence))
                .containsExactly("roles.rev1/board-1.gtl: the pack has no such file");
    }

    @Test
    void aTimeThatIsNoneIsRefused() {
        assertThat(CutStamp.of("b", 2, 1, "2026-01-02T03:04:05Z").at())
                .contains("2026-01-02T03:04:05Z");
        assertThat(CutStamp.of("b", 2, 1, "2026-01-02T03:04:05Z").title())
                .isEqualTo("b, revision 2, cut 1");
        assertThatThrownBy(() -> CutStamp.of("b", 2, 1, "yesterday"))
                .hasMessageContaining("yesterday");
    }

    /**
     * What is chosen without a word of it would be no step: it could neither be kept nor undone.
     */
    @Test
    void carriageAndReviewsAreSteps() {
        Ticket sent = Ticket.BLANK.with(d -> d.order = d.order.sent(Optional.of("courier")));
        assertThat(changed(Ticket.BLANK, sent)).isEqualTo("carriage courier");
        assertThat(changed(sent, Ticket.BLANK)).isEqualTo("the usual carriage");
        Ticket seen =
                Ticket.BLANK.with(d -> d.reviewed = Map.of("parts", new Reviewed("Ada", "1")));
        assertThat(changed(Ticket.BLANK, seen)).isEqualTo("parts reviewed by Ada");
        assertThat(changed(seen, Ticket.BLANK)).isEqualTo("review of the parts taken back");
    }
}
