package dev.lastcut.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.assembly.PartBodies.Source;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.kit.KitStep.Stage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;

/** Steps of single parts whose bodies lie where they are put. */
class SolderingOrderTest {
    private final List<KitStep> steps = new ArrayList<>();
    private final Map<String, Body> bodies = new HashMap<>();

    private void put(String name, Stage stage, double x, double size, double heightMm) {
        PlacedPart at = new PlacedPart(name, "v", "F", Pt.mm(x, 0), 0, Side.TOP, 1);
        Part part = new Part(name, "v", "F", "", "", "", true, true, Optional.of(at));
        steps.add(
                new KitStep(
                        stage,
                        List.of(part),
                        List.of(),
                        Side.TOP,
                        heightMm,
                        false,
                        List.of(),
                        OptionalDouble.empty()));
        bodies.put(
                name,
                new Body(
                        name,
                        Side.TOP,
                        new Coordinate(x * 1e6, 0),
                        size * 1e6,
                        size * 1e6,
                        0,
                        heightMm * 1e6,
                        false,
                        Source.STATED,
                        true,
                        true));
    }

    private List<String> order() {
        return SolderingOrder.ordered(steps, bodies).stream()
                .map(s -> s.designators().get(0))
                .toList();
    }

    @Test
    void theUsualOrderWhereNothingLiesUnderAnything() {
        put("J1", Stage.PLUG, 0, 1, 1);
        put("R1", Stage.FLAT, 10, 1, 0.5);
        put("C1", Stage.FLAT, 20, 1, 0.3);
        put("D1", Stage.LEADED_POLAR, 30, 1, 0.1);
        assertThat(order()).containsExactly("C1", "R1", "D1", "J1");
    }

    @Test
    void whatLiesUnderAModuleComesBeforeIt() {
        put("M1", Stage.FLAT, 0, 20, 3);
        put("LED1", Stage.HEAT, 2, 1, 1);
        put("LED2", Stage.HEAT, 40, 1, 1);
        put("R1", Stage.FLAT, 60, 1, 5);
        assertThat(order()).containsExactly("R1", "LED1", "M1", "LED2");
    }

    /** Any boards: every step once, and nothing is covered before it is soldered. */
    @Test
    void nothingIsCoveredBeforeItIsSoldered() {
        Random r = new Random(12);
        for (int round = 0; round < 60; round++) {
            SolderingOrderTest t = new SolderingOrderTest();
            for (int i = 0; i < 30; i++) {
                t.put(
                        "P" + i,
                        Stage.values()[r.nextInt(Stage.values().length)],
                        r.nextInt(60),
                        1 + r.nextInt(6),
                        0.5 + i * 0.1);
            }
            List<String> order = t.order();
            assertThat(order).doesNotHaveDuplicates().hasSize(30);
            for (Body low : t.bodies.values()) {
                for (Body high : t.bodies.values()) {
                    double shared = low.outline().intersection(high.outline()).getArea();
                    boolean under =
                            high.heightNm() > low.heightNm()
                                    && shared > 0.1 * low.outline().getArea();
                    if (under) {
                        assertThat(order.indexOf(low.designator()))
                                .isLessThan(order.indexOf(high.designator()));
                    }
                }
            }
        }
    }
}
