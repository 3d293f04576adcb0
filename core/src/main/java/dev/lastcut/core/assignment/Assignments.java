package dev.lastcut.core.assignment;

import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assignment.Assignment.By;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Who fits each part of a build. In order of force: what is ordered, what the shop can fit, the
 * build's variant, the stock that is known of a part, and the maker's own word.
 */
public final class Assignments {
    /** Why a check of what a shop fits does not run. */
    public static final String NOT_ORDERED =
            "bare boards are ordered: no part is fitted by the shop";

    private final boolean ordered;
    private final Map<String, Assignment> by = new HashMap<>();
    private final List<Assignment> all;

    private Assignments(boolean ordered, List<Assignment> all) {
        this.ordered = ordered;
        this.all = List.copyOf(all);
        all.forEach(a -> by.putIfAbsent(a.part().designator(), a));
    }

    /** For the variant that is built. */
    public static Assignments of(
            BoardGeometry geometry, CapabilitySheet sheet, Order order, PartsPlan plan) {
        Set<Side> sides = sheet.fittedSides(order);
        List<Part> parts = Population.of(geometry.board(), plan.variants());
        Map<String, Body> bodies = new HashMap<>();
        PartBodies.of(geometry, plan).forEach(b -> bodies.putIfAbsent(b.designator(), b));
        Judge judge =
                new Judge(PartPads.of(geometry), bodies, sheet, sides, bare(sheet, order), plan);
        return new Assignments(!sides.isEmpty(), parts.stream().map(judge::of).toList());
    }

    /**
     * The same verdicts for the boards of a panel, whose parts carry the number of their board.
     *
     * @param parts of the whole panel
     * @param verdicts by the designator on the panel
     */
    public static Assignments onPanel(
            boolean ordered, List<Part> parts, Map<String, Assignment> verdicts) {
        return new Assignments(
                ordered,
                parts.stream()
                        .map(
                                p -> {
                                    Assignment own = verdicts.get(p.designator());
                                    return new Assignment(p, own.by(), own.why(), own.mounting());
                                })
                        .toList());
    }

    /** Every part of the build, in order of designators. */
    public List<Assignment> all() {
        return all;
    }

    /** Empty for a designator that neither table of the pack has. */
    public Optional<Assignment> of(String designator) {
        return Optional.ofNullable(by.get(designator));
    }

    /** Why the shop fits no part at all, begun with a capital; "" where fitting is ordered. */
    public static String whyBare(CapabilitySheet sheet, Order order) {
        String why = bare(sheet, order);
        return why.isEmpty() ? "" : Character.toUpperCase(why.charAt(0)) + why.substring(1);
    }

    private static String bare(CapabilitySheet sheet, Order order) {
        if (!sheet.fittedSides(order).isEmpty()) {
            return "";
        }
        if (sheet.assembly().isEmpty()) {
            return sheet.name() + " fits no parts";
        }
        // Ordered is a side that the shop does not fit.
        return order.value(OrderOption.ASSEMBLY)
                .filter(v -> !v.equals("none"))
                .map(v -> sheet.name() + " does not fit the " + v)
                .orElse("bare boards are ordered");
    }

    /** Whether a shop is to fit parts. */
    public boolean isOrdered() {
        return ordered;
    }

    /** The parts that the shop fits. */
    public List<Part> house() {
        return parts(By.HOUSE);
    }

    /** The fitted parts that somebody solders by hand. */
    public List<Part> hand() {
        return parts(By.HAND);
    }

    /** Parts that are wanted on the board and that nobody fits. */
    public List<Assignment> gaps() {
        return all.stream().filter(Assignment::isGap).toList();
    }

    /** "2 parts are fitted by nobody: C3 (part C-22P is not in stock), J1 (…)". */
    public static String gapWords(List<Assignment> gaps) {
        return gaps.size()
                + (gaps.size() == 1 ? " part is" : " parts are")
                + " fitted by nobody: "
                + gaps.stream()
                        .map(a -> a.part().designator() + " (" + a.why() + ")")
                        .collect(Collectors.joining(", "))
                + ".";
    }

    /**
     * The parts of the parts list and the placement: those that the shop fits; where no fitting is
     * ordered all that are fitted, to buy them by and for a jig.
     */
    public List<Part> listed() {
        List<Part> given = ordered ? house() : List.of();
        return given.isEmpty()
                ? all.stream().map(Assignment::part).filter(Part::fitted).toList()
                : given;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Assignments other && ordered == other.ordered && all.equals(other.all);
    }

    @Override
    public int hashCode() {
        return all.hashCode();
    }

    private List<Part> parts(By by) {
        return all.stream().filter(a -> a.by() == by).map(Assignment::part).toList();
    }

    private record Judge(
            PartPads pads,
            Map<String, Body> bodies,
            CapabilitySheet sheet,
            Set<Side> sides,
            String bare,
            PartsPlan plan) {
        Assignment of(Part p) {
            Optional<Body> body = Optional.ofNullable(bodies.get(p.designator()));
            Optional<Mounting> mounting = pads.mounting(p, body);
            if (!p.fitted()) {
                return new Assignment(p, By.NOBODY, leftOff(), mounting);
            }
            if (sides.isEmpty()) {
                return new Assignment(p, By.HAND, bare, mounting);
            }
            Optional<ByHand.Word> word = plan.byHand().word(p);
            Optional<String> cannot = cannot(p, body, mounting);
            if (cannot.isPresent()) {
                return word.filter(w -> !w.hand()).isPresent()
                        ? new Assignment(
                                p, By.NOBODY, "left to the shop, but " + cannot.get(), mounting)
                        : new Assignment(p, By.HAND, cannot.get(), mounting);
            }
            if (word.filter(ByHand.Word::hand).isPresent()) {
                return new Assignment(p, By.HAND, word.get().says(), mounting);
            }
            return missing(p)
                    .map(why -> new Assignment(p, By.NOBODY, why, mounting))
                    .orElseGet(() -> new Assignment(p, By.HOUSE, byHouse(mounting), mounting));
        }

        /** Where nothing tells how it is mounted, and the shop does not fit both, that is said. */
        private String byHouse(Optional<Mounting> mounting) {
            Set<Mounting> fits = sheet.assembly().orElseThrow().line().fits();
            boolean open = mounting.isEmpty() && fits.size() < Mounting.values().length;
            return "fitted by "
                    + sheet.name()
                    + (open
                            ? ", if it is a "
                                    + fits.iterator().next().id()
                                    + " part: none of its pads is known"
                            : "");
        }

        private String leftOff() {
            return "left off in "
                    + plan.variants().built().map(v -> "variant " + v).orElse("this build");
        }

        /** Why the shop cannot fit a part under this order; empty when it can. */
        private Optional<String> cannot(Part p, Optional<Body> body, Optional<Mounting> mounting) {
            Assembly assembly = sheet.assembly().orElseThrow();
            Optional<Side> side = p.placed().map(PlacedPart::side);
            if (side.isEmpty()) {
                return Optional.of("the placement does not say where it goes");
            }
            if (!assembly.sides().contains(side.get())) {
                return Optional.of(sheet.name() + " fits the " + other(side.get()) + " only");
            }
            if (!sides.contains(side.get())) {
                return Optional.of("fitting is ordered for the " + other(side.get()) + " only");
            }
            if (mounting.isPresent() && !assembly.line().fits().contains(mounting.get())) {
                return Optional.of(
                        mounting.get() == Mounting.LEADED
                                ? "has leads, and " + sheet.name() + " fits surface parts only"
                                : "lies on pads, and " + sheet.name() + " fits leaded parts only");
            }
            double least = assembly.leastPitch().map(l -> l.amount()).orElse(0.0);
            // Looked for where the shop has a limit alone: a job is shown far more often than made.
            OptionalDouble pitch =
                    least > 0 && mounting.filter(Mounting.SURFACE::equals).isPresent()
                            ? pads.pitchNm(p.designator())
                            : OptionalDouble.empty();
            // What is drawn in inches comes a hair off its metric pitch.
            if (pitch.isPresent() && pitch.getAsDouble() < least - 1_000) {
                return Optional.of(
                        "its pitch is "
                                + Length.text(pitch.getAsDouble())
                                + ", and "
                                + sheet.name()
                                + " fits "
                                + Length.text(least)
                                + " or more");
            }
            double most =
                    assembly.line().greatestHeight().map(l -> l.amount()).orElse(Double.MAX_VALUE);
            if (body.filter(b -> b.isKnown() && b.heightNm() > most).isPresent()) {
                return Optional.of(
                        "it is "
                                + Length.text(body.get().heightNm())
                                + " tall, and "
                                + sheet.name()
                                + " fits parts up to "
                                + Length.text(most));
            }
            return Optional.empty();
        }

        private static String other(Side side) {
            return (side == Side.TOP ? Side.BOTTOM : Side.TOP).word();
        }

        /** What the stock last read of a part says against it; empty when nothing is known. */
        private Optional<String> missing(Part p) {
            return plan.known(p)
                    .map(CataloguePart::supply)
                    .filter(s -> s.stock() == 0)
                    .map(s -> "part " + p.partNumber() + " is not in stock");
        }
    }
}
