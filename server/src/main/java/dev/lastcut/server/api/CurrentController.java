package dev.lastcut.server.api;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.check.CheckTarget;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.current.NetPath;
import dev.lastcut.core.current.Terminal;
import dev.lastcut.core.current.TrackCurrent;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.server.api.CheckController.PlaceView;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.ticket.CurrentJson;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Currents of nets: given by the maker, and what the copper makes of them. */
@RestController
@RequestMapping("/api/jobs/{id}")
class CurrentController {
    private final JobService jobs;

    CurrentController(JobService jobs) {
        this.jobs = jobs;
    }

    /** A pad a current can enter by; {@code name} such as R1.2, or its place. */
    record PadView(String name, CurrentJson.EndJson end) {}

    /**
     * What the copper makes of a current: resistance at 20 °C in Ω, drop in V and heat in W when
     * warm, the narrowest section as a width in nm, the width needed on outer and inner layers.
     */
    record PathView(
            CurrentJson.EndJson from,
            CurrentJson.EndJson to,
            double ohm,
            double dropV,
            double watts,
            String layer,
            double widthNm,
            double neededNm,
            double neededOuterNm,
            double neededInnerNm,
            double goodForA,
            PlaceView a,
            PlaceView b) {}

    @GetMapping("/currents")
    List<CurrentJson> currents(@PathVariable long id) {
        return jobs.ticket(id).currents().stream().map(CurrentJson::of).toList();
    }

    /** The pads of a net, named ones first. */
    @GetMapping("/pads")
    List<PadView> pads(@PathVariable long id, @RequestParam String net) {
        BoardGeometry geometry = jobs.board(id);
        int number = number(geometry, net);
        List<PadView> named = new ArrayList<>();
        List<PadView> others = new ArrayList<>();
        for (Terminal t : NetPath.terminals(geometry, number)) {
            Optional<String> name = name(geometry, t);
            String place =
                    String.format(
                            Locale.ROOT,
                            "%s %.2f, %.2f mm",
                            Role.parse(t.layer()).map(Role::words).orElse(t.layer()),
                            Length.toMm(t.at().x()),
                            Length.toMm(t.at().y()));
            (name.isPresent() ? named : others)
                    .add(new PadView(name.orElse(place), CurrentJson.EndJson.of(t)));
        }
        named.sort((a, b) -> a.name().compareTo(b.name()));
        named.addAll(others);
        return named;
    }

    private static Optional<String> name(BoardGeometry geometry, Terminal t) {
        return geometry.reference().stream()
                .flatMap(r -> r.anchors().stream())
                .map(NetReference.Anchor::point)
                .filter(p -> p.isPin() && p.at().distance(t.at()) < 20_000)
                .filter(
                        p ->
                                p.access().isEmpty()
                                        || Role.parse(t.layer())
                                                .flatMap(Role::side)
                                                .equals(p.access()))
                .map(p -> p.component() + "." + p.pin())
                .findFirst();
    }

    private static int number(BoardGeometry geometry, String net) {
        return NetPath.named(geometry, net)
                .orElseThrow(
                        () -> new NotFoundException("The board has no net called " + net + "."));
    }

    /** Solves a current's way; it is not kept. */
    @OnlyAsks
    @PostMapping("/path")
    PathView path(@PathVariable long id, @RequestBody CurrentJson current) {
        NetCurrent wanted;
        try {
            wanted = current.toCurrent();
        } catch (IllegalArgumentException e) {
            throw new RefusedException("This current cannot be used: " + e.getMessage() + ".");
        }
        BoardGeometry geometry = jobs.board(id);
        int net = number(geometry, wanted.net());
        NetPath.Stack stack = stack(id);
        NetPath.Result r =
                solve(geometry, net, wanted, stack)
                        .orElseThrow(
                                () ->
                                        new RefusedException(
                                                "No copper of "
                                                        + wanted.net()
                                                        + " leads from the one pad to the other."
                                                        + " Choose two pads that it joins."));
        return view(geometry, wanted, stack, r);
    }

    private static Optional<NetPath.Result> solve(
            BoardGeometry geometry, int net, NetCurrent wanted, NetPath.Stack stack) {
        try {
            return NetPath.of(geometry, net, wanted, stack);
        } catch (IllegalStateException e) {
            throw new RefusedException(
                    "The copper of this net is too fine to be solved between these pads. Choose two"
                            + " that lie nearer to each other.");
        }
    }

    private NetPath.Stack stack(long id) {
        Optional<CheckTarget> against = jobs.against(id);
        return NetPath.Stack.ordered(
                option ->
                        against.flatMap(a -> a.sheet().value(option, a.order()))
                                .map(Double::valueOf));
    }

    private static PathView view(
            BoardGeometry geometry, NetCurrent wanted, NetPath.Stack stack, NetPath.Result r) {
        boolean outer = r.isOuter(geometry.board().copper().size());
        double thick = outer ? stack.outerNm() : stack.innerNm();
        double warm = r.ohm() * TrackCurrent.warm(wanted.riseC());
        double amps = wanted.amps();
        double rise = wanted.riseC();
        return new PathView(
                CurrentJson.EndJson.of(r.from()),
                CurrentJson.EndJson.of(r.to()),
                r.ohm(),
                warm * amps,
                warm * amps * amps,
                r.layer() < 0
                        ? "walls of vias"
                        : geometry.board().copper().get(r.layer()).role().words(),
                r.sectionNm2() / thick,
                TrackCurrent.width(amps, rise, outer, thick),
                TrackCurrent.width(amps, rise, true, stack.outerNm()),
                TrackCurrent.width(amps, rise, false, stack.innerNm()),
                TrackCurrent.amps(r.sectionNm2(), rise, outer),
                PlaceView.of(r.across().from()),
                PlaceView.of(r.across().to()));
    }
}
