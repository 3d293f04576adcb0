package dev.lastcut.core.check;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Exclusion;
import dev.lastcut.core.capability.FineSurcharge;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.PanelTerms;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * What a rule works on: the board's geometry, and what is asked of the shop and the maker. Every
 * question a rule asks is noted with its answer, so that the rule need not run again while all its
 * answers stay the same.
 */
public final class CheckContext {
    /** Values of options that ask for nothing, which any shop does. */
    private static final Set<String> NOTHING = Set.of("none", "no", "as in the files");

    /** Steps finer than this are told to nobody. */
    private static final double WORTH_SAYING_NM = 1_000;

    /** A question to what the board is held against, and its answer. */
    public record Dependency(Function<CheckContext, ?> question, Object answer) {
        public boolean sameIn(CheckContext other) {
            return answer.equals(question.apply(other));
        }
    }

    private final BoardGeometry geometry;
    private final CheckTarget against;
    private final List<Dependency> asked = new ArrayList<>();
    private double rounding;

    public CheckContext(BoardGeometry geometry, CheckTarget against) {
        this.geometry = geometry;
        this.against = against;
    }

    public CheckContext(BoardGeometry geometry, CapabilitySheet sheet, Headroom headroom) {
        this(geometry, new CheckTarget(sheet, headroom));
    }

    /** The same with no questions noted yet. */
    public CheckContext fresh() {
        return new CheckContext(geometry, against);
    }

    public List<Dependency> asked() {
        return List.copyOf(asked);
    }

    public BoardGeometry geometry() {
        return geometry;
    }

    public Board board() {
        return geometry.board();
    }

    /**
     * A sheet's number with and without headroom: nm, or a ratio as it is.
     *
     * @param stepNm the steps of the files a measure is taken from: what it falls short by no more
     *     than these is rounding
     */
    public record Bounds(LimitKey key, double sheet, double withHeadroom, double stepNm) {
        /**
         * Flattened curves are true to half the chord error on either side, so a distance between
         * two of them may come out this much short. A board drawn exactly to the limit is within
         * it.
         */
        private static final double SLACK_NM = 600;

        /** Ratios are compared to this much, so that what is drawn exactly to the limit passes. */
        private static final double SLACK_RATIO = 0.002;

        private double slack() {
            return key.isRatio() ? SLACK_RATIO : SLACK_NM + stepNm;
        }

        public double withHeadroomNm() {
            return withHeadroom;
        }

        /** What a least distance between flattened shapes must reach. */
        public double reachNm() {
            return withHeadroom - slack();
        }

        /** Whether a measure is beyond the limit with its headroom. */
        public boolean isBeyond(double measured) {
            return key.isLeast() ? measured < reachNm() : measured > withHeadroom + slack();
        }

        /** The base beyond the sheet's own number; one step lower within the headroom. */
        public Severity severity(double measured, Severity base) {
            boolean beyondSheet =
                    key.isLeast() ? measured < sheet - slack() : measured > sheet + slack();
            return beyondSheet ? base : base.lower();
        }
    }

    private <T> T ask(Function<CheckContext, T> question) {
        T answer = question.apply(this);
        asked.add(new Dependency(question, answer));
        return answer;
    }

    /**
     * @param files the kinds of files the measure is taken from
     */
    public Optional<Bounds> bounds(LimitKey key, Role.Kind... files) {
        double step = stepNm(files);
        Optional<Bounds> bounds = ask(c -> c.boundsOf(key, step));
        if (step >= WORTH_SAYING_NM && bounds.isPresent()) {
            rounding = Math.max(rounding, step);
        }
        return bounds;
    }

    private Optional<Bounds> boundsOf(LimitKey key, double step) {
        return against.sheet()
                .limit(key, against.order(), board().copper().size())
                .map(Limit::amount)
                .map(n -> new Bounds(key, n, against.headroom().apply(key, n), step));
    }

    /** The coarsest step of the files of each kind, together. */
    private double stepNm(Role.Kind... kinds) {
        double sum = 0;
        for (Role.Kind kind : kinds) {
            double coarsest = 0;
            for (SourceFile f : board().files()) {
                boolean holes = kind == Role.Kind.PLATED_HOLES && f.role().isHoles();
                if (f.role().kind() == kind || holes) {
                    coarsest = Math.max(coarsest, f.stepNm());
                }
            }
            sum += coarsest;
        }
        return sum;
    }

    /** What is to be said of measures that were taken from coarse files; empty for fine ones. */
    public String roundingRemark() {
        return rounding == 0
                ? ""
                : "what is beyond a limit by less than "
                        + Length.text(rounding)
                        + ", the step of the files' numbers, is rounding and not told";
    }

    /** The bounds a standard or common practice gives where the sheet states no number. */
    public Bounds boundsOr(LimitKey key, double usual) {
        return bounds(key)
                .orElseGet(() -> ask(c -> new Bounds(key, usual, c.headroomOn(key, usual), 0)));
    }

    private double headroomOn(LimitKey key, double n) {
        return against.headroom().apply(key, n);
    }

    /** The number ordered of an option, or the shop's usual one. */
    public Optional<Double> number(OrderOption option) {
        return word(option).map(Double::valueOf);
    }

    /** What is ordered of an option, or the shop's usual; empty where it offers nothing. */
    public Optional<String> word(OrderOption option) {
        return ask(c -> c.against.sheet().value(option, c.against.order()));
    }

    /** What the maker asked for of an option, offered or not. */
    public Optional<String> wish(OrderOption option) {
        return ask(c -> c.against.order().value(option));
    }

    /** Where the house may print its mark; empty where no place is said. */
    public Optional<OrderMark> orderMark() {
        return ask(c -> c.against.order().mark());
    }

    public List<NetCurrent> currents() {
        return ask(c -> c.against.currents());
    }

    public String shopName() {
        return ask(c -> c.against.sheet().name());
    }

    public int maxCopperLayers() {
        return ask(c -> c.against.sheet().maxCopperLayers());
    }

    public boolean plates() {
        return ask(c -> c.against.sheet().plates());
    }

    public Optional<Mill> mill() {
        return ask(c -> c.against.sheet().mill());
    }

    public MillSetup setup() {
        return ask(c -> c.against.setup());
    }

    /** The parts as they are built. */
    public List<Part> parts() {
        return ask(c -> Population.of(c.board(), c.against.parts().variants()));
    }

    /** Who fits each of them. */
    public Assignments assignments() {
        return ask(
                c ->
                        Assignments.of(
                                c.geometry(),
                                c.against.sheet(),
                                c.against.order(),
                                c.against.parts()));
    }

    /** What is chosen about parts. */
    public PartsPlan partsPlan() {
        return ask(c -> c.against.parts());
    }

    /** What is chosen about the stencil. */
    public StencilPlan stencilPlan() {
        return ask(c -> c.against.stencil());
    }

    /** What is known of the parts that are fitted, by number. */
    public Map<String, CataloguePart> known() {
        return ask(c -> c.against.parts().known());
    }

    /** What the shop takes of assembly; empty where it fits no parts. */
    public Optional<Assembly> assembly() {
        return ask(c -> c.against.sheet().assembly());
    }

    /** Pairs of the order that the shop does not make together. */
    public List<Exclusion> excluded() {
        return ask(c -> c.against.sheet().excluded(c.against.order(), c.board().copper().size()));
    }

    /** The currency of the shop's prices. */
    public String currency() {
        return ask(c -> c.against.sheet().price().currency());
    }

    /** What the shop adds for finer work. */
    public List<FineSurcharge> fineSurcharges() {
        return ask(c -> c.against.sheet().price().fine());
    }

    /** What was chosen and the shop does not offer, in words, beside what asks for nothing. */
    public List<String> notOffered() {
        return ask(
                c -> {
                    List<String> all = new ArrayList<>();
                    c.against
                            .sheet()
                            .notOffered(c.against.order())
                            .forEach(
                                    (o, v) -> {
                                        // What a shop says nothing of is not its choice.
                                        boolean offers = c.against.sheet().options().containsKey(o);
                                        if (offers && !NOTHING.contains(v)) {
                                            all.add(o.title() + ": " + o.words(v));
                                        }
                                    });
                    c.against
                            .sheet()
                            .carriageNotOffered(c.against.order())
                            .filter(way -> !c.against.sheet().price().carriage().isEmpty())
                            .ifPresent(way -> all.add("Carriage: " + way));
                    return all;
                });
    }

    /** What the shop takes of panels; empty where it does not say. */
    public Optional<PanelTerms> panelTerms() {
        return ask(c -> c.against.sheet().panel());
    }

    /** The panel that is wanted, laid out or with why it cannot be; empty for single boards. */
    public Optional<PanelAsk.Laid> panel() {
        return ask(c -> c.against.panel()).map(p -> p.on(geometry));
    }

    public CheckTarget against() {
        return against;
    }

    public Outcome noLimit(LimitKey key) {
        return Outcome.notRun(
                "the sheet of " + shopName() + " states no number for: " + key.title());
    }

    public String netName(int net) {
        return geometry.netName(net);
    }

    /** The role id of a copper layer by its index from the top. */
    public String copperId(int layer) {
        return board().copper().get(layer).role().id();
    }
}
