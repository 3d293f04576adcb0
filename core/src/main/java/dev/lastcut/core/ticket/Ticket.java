package dev.lastcut.core.ticket;

import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.touch.Step;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.Predicate;

/**
 * Everything chosen for a job. What was not chosen has its usual value, so the first ticket of
 * every job is {@link #BLANK}.
 *
 * @param shop the id of the sheet it is made for; empty until one is chosen
 * @param files the user's word on files, by path
 * @param mill how the board is set up on the chosen shop, if that is a mill
 * @param millsAside the same for mills that were chosen before, by sheet
 * @param probed surfaces of the stock that isolation follows, by the side they are of
 * @param parts what is chosen about parts
 * @param stencil what is chosen about the stencil
 * @param panel the panel that is made; empty for single boards
 * @param touches finishing touches, in the order they are listed
 * @param strip what is chosen about a strip board
 * @param signOffs findings accepted, in the order they were
 * @param reviewed what was looked at before the cut, by subject
 * @param made what a cut adds
 */
public record Ticket(
        Optional<String> shop,
        Choices files,
        Headroom headroom,
        Order order,
        List<NetCurrent> currents,
        MillSetup mill,
        Map<String, MillSetup> millsAside,
        Map<Side, ProbedSurface> probed,
        PartsPlan parts,
        StencilPlan stencil,
        Optional<PanelPlan> panel,
        List<Step> touches,
        StripChoices strip,
        List<Acceptance> signOffs,
        Map<String, Reviewed> reviewed,
        CutStamp made) {
    public static final Ticket BLANK =
            new Ticket(
                    Optional.empty(),
                    Choices.NONE,
                    Headroom.NONE,
                    Order.USUAL,
                    List.of(),
                    MillSetup.USUAL,
                    Map.of(),
                    Map.of(),
                    PartsPlan.NONE,
                    StencilPlan.AS_DRAWN,
                    Optional.empty(),
                    List.of(),
                    StripChoices.NONE,
                    List.of(),
                    Map.of(),
                    CutStamp.NOTHING_SAID);

    public Ticket {
        currents = currents.stream().sorted(Comparator.comparing(NetCurrent::net)).toList();
        for (int i = 1; i < currents.size(); i++) {
            if (currents.get(i).net().equals(currents.get(i - 1).net())) {
                throw new IllegalArgumentException(
                        "one current for each net, not two for " + currents.get(i).net());
            }
        }
        millsAside = Collections.unmodifiableMap(new TreeMap<>(millsAside));
        probed = Collections.unmodifiableMap(new TreeMap<>(probed));
        touches = List.copyOf(touches);
        signOffs = List.copyOf(signOffs);
        reviewed = Collections.unmodifiableMap(new TreeMap<>(reviewed));
    }

    /** A ticket being changed; every part is what it was until it is set. */
    public static final class Draft {
        public Optional<String> shop;
        public Choices files;
        public Headroom headroom;
        public Order order;
        public List<NetCurrent> currents;
        public MillSetup mill;
        public Map<String, MillSetup> millsAside;
        public Map<Side, ProbedSurface> probed;
        public PartsPlan parts;
        public StencilPlan stencil;
        public Optional<PanelPlan> panel;
        public List<Step> touches;
        public StripChoices strip;
        public List<Acceptance> signOffs;
        public Map<String, Reviewed> reviewed;
        public CutStamp made;

        private Draft(Ticket t) {
            shop = t.shop;
            files = t.files;
            headroom = t.headroom;
            order = t.order;
            currents = t.currents;
            mill = t.mill;
            millsAside = t.millsAside;
            probed = t.probed;
            parts = t.parts;
            stencil = t.stencil;
            panel = t.panel;
            touches = t.touches;
            strip = t.strip;
            signOffs = t.signOffs;
            reviewed = t.reviewed;
            made = t.made;
        }

        private Ticket ticket() {
            return new Ticket(
                    shop,
                    files,
                    headroom,
                    order,
                    currents,
                    mill,
                    millsAside,
                    probed,
                    parts,
                    stencil,
                    panel,
                    touches,
                    strip,
                    signOffs,
                    reviewed,
                    made);
        }
    }

    /** The same with some parts set. */
    public Ticket with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.ticket();
    }

    /**
     * The same for another shop. Each mill keeps its own set-up: the present one is laid aside for
     * when its mill is chosen again.
     */
    public Ticket withShop(String sheet) {
        return with(
                d -> {
                    d.shop = Optional.of(sheet);
                    if (shop.isPresent() && !shop.get().equals(sheet)) {
                        Map<String, MillSetup> others = new HashMap<>(millsAside);
                        MillSetup kept = others.remove(sheet);
                        if (!mill.equals(MillSetup.USUAL)) {
                            others.put(shop.get(), mill);
                        }
                        d.mill = kept == null ? MillSetup.USUAL : kept;
                        d.millsAside = others;
                    }
                });
    }

    /**
     * With another set-up of the chosen mill. What was probed of the bottom lies elsewhere when the
     * board is turned over the other way, so it goes.
     */
    public Ticket withMill(MillSetup chosen) {
        boolean other = chosen.turnedOver() != mill.turnedOver();
        Ticket next = with(d -> d.mill = chosen);
        return other ? next.withProbed(Side.BOTTOM, Optional.empty()) : next;
    }

    /** With a surface for a side, or none. */
    public Ticket withProbed(Side side, Optional<ProbedSurface> surface) {
        Map<Side, ProbedSurface> next = new EnumMap<>(Side.class);
        next.putAll(probed);
        next.remove(side);
        surface.ifPresent(s -> next.put(side, s));
        return with(d -> d.probed = next);
    }

    /** With further findings accepted; one that was accepted before is accepted anew. */
    public Ticket accepting(List<Acceptance> further) {
        List<Acceptance> all = new ArrayList<>(signOffs);
        all.removeIf(a -> further.stream().anyMatch(a::isOfSameFinding));
        all.addAll(further);
        return with(d -> d.signOffs = all);
    }

    public Ticket withoutSignOffs(Predicate<Acceptance> those) {
        return with(d -> d.signOffs = signOffs.stream().filter(those.negate()).toList());
    }

    /**
     * How the board is set up on a mill: the chosen one's set-up, or what another one was left
     * with.
     */
    public MillSetup setup(CapabilitySheet sheet) {
        return withShop(sheet.id()).mill();
    }

    /** The surfaces of those probed that can be used. */
    public static Map<Side, HeightMap> heights(Map<Side, ProbedSurface> probed) {
        Map<Side, HeightMap> maps = new EnumMap<>(Side.class);
        probed.forEach((side, p) -> p.map().ifPresent(m -> maps.put(side, m)));
        return maps;
    }
}
