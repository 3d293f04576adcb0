package dev.lastcut.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Shelf;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CostTest {
    private static CapabilitySheet house(int loadedKinds) {
        return TestBoards.house(Map.of())
                .with(
                        new Assembly(
                                List.of(Side.TOP),
                                new Assembly.Counts(
                                        OptionalInt.empty(),
                                        OptionalInt.empty(),
                                        OptionalInt.empty(),
                                        OptionalInt.of(loadedKinds)),
                                new Assembly.Fees(8, 0.002, 3, 10),
                                Assembly.ListForm.USUAL,
                                Optional.empty(),
                                Optional.empty()));
    }

    private static Part part(String designator, String value, String number) {
        PlacedPart at = new PlacedPart(designator, value, "0603", Pt.ORIGIN, 0, Side.TOP, 1);
        return new Part(designator, value, "0603", "", number, "", true, true, Optional.of(at));
    }

    private static Map<String, CataloguePart> known(CataloguePart... parts) {
        return new TreeMap<>(
                Stream.of(parts).collect(Collectors.toMap(CataloguePart::number, p -> p)));
    }

    /** Worked by hand: 3 × 20 × 1.1 = 66 at 0.04 up to 99, then 0.03 from 100: 66 stay dearer. */
    @Test
    void aBatchWorkedByHand() {
        List<Part> parts =
                List.of(
                        part("R1", "1k", "A"),
                        part("R2", "1k", "A"),
                        part("R3", "1k", "A"),
                        part("C1", "1u", "B"),
                        part("X1", "odd", ""));
        Map<String, CataloguePart> known =
                known(
                        Shelf.part("A", "0603")
                                .price(1, 0.05)
                                .price(50, 0.04)
                                .price(100, 0.03)
                                .line()
                                .get(),
                        Shelf.part("B", "0603").price(1, 0.5).get());
        Cost c = Cost.of(parts, known, house(10), 20, true);
        // 66 × 0.04 = 2.64; 22 × 0.5 = 11, loading 3; 5 × 20 × 0.002 = 0.2; set-up 8.
        assertThat(c.batch()).isCloseTo(2.64 + 11 + 3 + 0.2 + 8, within(1e-9));
        assertThat(c.perBoard()).isCloseTo(c.batch() / 20, within(1e-12));
        assertThat(c.items())
                .extracting(Cost.Item::what)
                .containsExactly(
                        Cost.For.PARTS,
                        Cost.For.SETUP,
                        Cost.For.LOADING,
                        Cost.For.PARTS,
                        Cost.For.FITTING);
        assertThat(c.unpriced()).extracting(l -> l.designators().get(0)).containsExactly("X1");
    }

    @Test
    void moreIsBoughtWhereItCostsLess() {
        Map<String, CataloguePart> known =
                known(Shelf.part("A", "0603").price(1, 0.10).price(100, 0.02).line().get());
        Cost c =
                Cost.of(
                        List.of(part("R1", "1k", "A")),
                        known,
                        TestBoards.house(Map.of()),
                        50,
                        true);
        assertThat(c.items())
                .singleElement()
                .satisfies(
                        i -> {
                            assertThat(i.pieces()).isEqualTo(100);
                            assertThat(i.amount()).isCloseTo(2.0, within(1e-12));
                        });
    }

    /** Whatever a hint says it saves is what the batch costs less once it is taken. */
    @ParameterizedTest
    @ValueSource(longs = {5, 55, 555})
    void aHintSavesWhatItSays(long seed) {
        Random r = new Random(seed);
        int[] ohms = {1000, 1020, 1050, 4700, 4750, 4990, 10_000, 10_200, 22_000};
        List<CataloguePart> offers = new ArrayList<>();
        for (int v : ohms) {
            for (String maker : List.of("P", "Q")) {
                Shelf s =
                        Shelf.part(maker + v, "0603")
                                .ohms(v)
                                .price(1, 0.01 + r.nextInt(20) / 100.0)
                                .price(100, 0.005 + r.nextInt(4) / 1000.0);
                offers.add((r.nextInt(3) == 0 ? s.line() : s).get());
            }
        }
        int taken = 0;
        for (int round = 0; round < 20; round++) {
            List<Part> parts = new ArrayList<>();
            Map<String, CataloguePart> known = new TreeMap<>();
            for (int v : ohms) {
                CataloguePart p = offers.get(offers.size() > 0 ? r.nextInt(offers.size()) : 0);
                double value = p.value("resistance").orElseThrow().typ().orElseThrow();
                known.put(p.number(), p);
                for (int i = 0; i < 1 + r.nextInt(5); i++) {
                    parts.add(part("R" + parts.size(), String.valueOf((int) value), p.number()));
                }
            }
            PartsPlan plan = PartsPlan.NONE.knowing(known);
            CapabilitySheet sheet = house(2);
            double before = Cost.of(parts, plan.known(), sheet, 30, true).batch();
            for (Savings.Hint h : Savings.of(parts, plan, offers, sheet, 30, true)) {
                if (h.saves().isEmpty() || h.take().isEmpty() || h.kind() == Savings.Kind.BY_HAND) {
                    continue;
                }
                List<Part> next = parts.stream().map(p -> taking(p, h)).toList();
                Map<String, CataloguePart> more = new TreeMap<>(plan.known());
                h.part().ifPresent(p -> more.put(p.number(), p));
                assertThat(before - Cost.of(next, more, sheet, 30, true).batch())
                        .as(h.words())
                        .isCloseTo(h.saves().get(), within(1e-9));
                taken++;
            }
        }
        assertThat(taken).isGreaterThan(20);
    }

    private static Part taking(Part p, Savings.Hint h) {
        Fitting f = h.take().getOrDefault(p.designator(), Fitting.AS_LISTED);
        return part(
                p.designator(), f.value().orElse(p.value()), f.partNumber().orElse(p.partNumber()));
    }

    @Test
    void hintsNameWhatTheyChange() {
        PartsPlan plan =
                PartsPlan.NONE.knowing(
                        known(
                                Shelf.part("A", "0603").ohms(10_000).price(1, 0.01).line().get(),
                                Shelf.part("B", "0603").ohms(10_200).price(1, 0.01).get()));
        List<Part> parts =
                List.of(part("R1", "10k", "A"), part("R2", "10k2", "B"), part("R3", "10k", "A"));
        List<Savings.Hint> hints =
                Savings.of(parts, plan, List.copyOf(plan.known().values()), house(9), 5, true);
        assertThat(hints)
                .filteredOn(h -> h.kind() == Savings.Kind.MAKE_EQUAL)
                .singleElement()
                .satisfies(
                        h -> {
                            assertThat(h.words())
                                    .startsWith("R2 as R1 R3: 10 kΩ in place of 10.2 kΩ, -2.0 %");
                            assertThat(h.take()).containsOnlyKeys("R2");
                            assertThat(h.saves().orElseThrow()).isCloseTo(3.0, within(0.02));
                        });
        assertThat(hints)
                .filteredOn(h -> h.kind() == Savings.Kind.NEAREST_VALUE)
                .singleElement()
                .satisfies(h -> assertThat(h.effectPercent()).isCloseTo(-1.96, within(0.01)));
    }
}
