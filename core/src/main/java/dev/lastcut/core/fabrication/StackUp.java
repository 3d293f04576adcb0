package dev.lastcut.core.fabrication;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the board is built of as it is ordered, from the top down.
 *
 * @param thicknessMm of the whole board, where the shop states or is asked for one
 * @param finish of the bare copper, where there is a choice
 */
public record StackUp(List<Ply> plies, OptionalDouble thicknessMm, Optional<String> finish) {
    /** 1 oz/ft² is sold as 35 µm (common practice; IPC-4562, from memory). */
    public static final double MM_PER_OZ = 0.035;

    /** What a ply is. */
    public enum Kind {
        SILK("silk"),
        MASK("solder mask"),
        COPPER("copper"),
        CORE("insulation");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /**
     * One ply.
     *
     * @param role the picture it is of; empty for what insulates
     * @param thicknessMm empty where nobody states it
     * @param looks its material or colour; empty where nobody states it
     */
    public record Ply(
            Kind kind, Optional<Role> role, OptionalDouble thicknessMm, Optional<String> looks) {}

    public StackUp {
        plies = List.copyOf(plies);
    }

    public static StackUp of(Board board, CapabilitySheet sheet, Order order) {
        return new Builder(board, sheet, order).build();
    }

    private static final class Builder {
        private final Board board;
        private final CapabilitySheet sheet;
        private final Order order;
        private final List<Ply> plies = new ArrayList<>();
        private final OptionalDouble thickness;

        Builder(Board board, CapabilitySheet sheet, Order order) {
            this.board = board;
            this.sheet = sheet;
            this.order = order;
            Optional<Mill.Stock> stock = sheet.mill().map(Mill::stock);
            this.thickness =
                    stock.isPresent()
                            ? OptionalDouble.of(Length.toMm(stock.get().thickness()))
                            : number(OrderOption.THICKNESS);
        }

        StackUp build() {
            covers(Side.TOP, Role.Kind.SILK, Role.Kind.MASK);
            List<Layer> copper = board.copper();
            double[] of = copper.stream().mapToDouble(l -> copper(l.role()).orElse(0)).toArray();
            double foils = 0;
            for (double t : of) {
                foils += t;
            }
            // A lone copper side lies on its insulation; between two the insulation is known too.
            boolean alone = copper.size() == 1;
            OptionalDouble core =
                    copper.size() <= 2 && thickness.isPresent()
                            ? OptionalDouble.of(rounded(thickness.getAsDouble() - foils))
                            : OptionalDouble.empty();
            if (alone && copper.get(0).role().side().equals(Optional.of(Side.BOTTOM))) {
                core(core);
            }
            for (int i = 0; i < copper.size(); i++) {
                Role role = copper.get(i).role();
                plies.add(new Ply(Kind.COPPER, Optional.of(role), copper(role), Optional.empty()));
                boolean below = i + 1 < copper.size();
                if (below || (alone && role.side().equals(Optional.of(Side.TOP)))) {
                    core(core);
                }
            }
            covers(Side.BOTTOM, Role.Kind.MASK, Role.Kind.SILK);
            return new StackUp(plies, thickness, sheet.value(OrderOption.FINISH, order));
        }

        private void core(OptionalDouble mm) {
            plies.add(
                    new Ply(
                            Kind.CORE,
                            Optional.empty(),
                            mm.isPresent() && mm.getAsDouble() > 0 ? mm : OptionalDouble.empty(),
                            sheet.value(OrderOption.MATERIAL, order)));
        }

        private void covers(Side side, Role.Kind... kinds) {
            for (Role.Kind kind : kinds) {
                board.layer(kind, side)
                        .ifPresent(
                                l ->
                                        plies.add(
                                                new Ply(
                                                        kind == Role.Kind.SILK
                                                                ? Kind.SILK
                                                                : Kind.MASK,
                                                        Optional.of(l.role()),
                                                        OptionalDouble.empty(),
                                                        sheet.value(colour(kind), order))));
            }
        }

        private static OrderOption colour(Role.Kind kind) {
            return kind == Role.Kind.SILK ? OrderOption.SILK_COLOUR : OrderOption.MASK_COLOUR;
        }

        private OptionalDouble copper(Role role) {
            if (sheet.mill().isPresent()) {
                return OptionalDouble.of(Length.toMm(sheet.mill().get().stock().copper()));
            }
            OptionalDouble ounces =
                    number(role.inner() > 0 ? OrderOption.COPPER_INNER : OrderOption.COPPER_OUTER);
            return ounces.isPresent()
                    ? OptionalDouble.of(rounded(ounces.getAsDouble() * MM_PER_OZ))
                    : ounces;
        }

        private OptionalDouble number(OrderOption option) {
            Optional<String> said = sheet.value(option, order);
            return said.isPresent()
                    ? OptionalDouble.of(Double.parseDouble(said.get()))
                    : OptionalDouble.empty();
        }

        private static double rounded(double mm) {
            return Math.round(mm * 1e6) / 1e6;
        }
    }
}
