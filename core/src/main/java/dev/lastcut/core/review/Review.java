package dev.lastcut.core.review;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.SupplyIssues;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.Assembly.PlacementForm;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.placement.PartPolarity;
import dev.lastcut.core.placement.Polarities;
import dev.lastcut.core.ticket.Reviewed;
import dev.lastcut.core.ticket.SignedFindings;
import dev.lastcut.core.ticket.Ticket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * One thing that should be looked at before a cut is made. It does not stop the cut: somebody signs
 * it off by name, and the sign-off lapses when what was looked at changes.
 *
 * @param says what there is to look at, a sentence without its point
 * @param of a digest of it as it is now
 * @param by who looked at it as it is now; empty while nobody did
 * @param lapsed who looked at it before it changed; empty for nobody
 */
public record Review(
        Subject subject, String says, String of, Optional<String> by, Optional<String> lapsed) {
    /** What is looked at. */
    public enum Subject {
        FINDINGS,
        PARTS,
        PLACEMENT,
        POLARITY,
        STENCIL;

        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final int DIGEST = 16;
    private static final int NAMED = 6;

    /**
     * All there is to look at for a job at a shop; what the job or the shop does not need is left
     * out.
     *
     * @param who fits which part of this very order
     * @param run the last check; empty before it
     */
    public static List<Review> of(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            Ticket ticket,
            Assignments who,
            Optional<CheckRun> run) {
        List<Review> all = new ArrayList<>();
        run.ifPresent(r -> findings(r, ticket, all));
        parts(geometry, ticket, who, all);
        if (who.isOrdered() && geometry.board().placements().isPresent()) {
            placement(sheet, ticket, who, all);
        }
        polarity(geometry, ticket, who, all);
        stencil(sheet, ticket, all);
        return all;
    }

    private static void findings(CheckRun run, Ticket ticket, List<Review> out) {
        Set<String> signed =
                SignedFindings.of(run, ticket.signOffs()).signOffs().stream()
                        .map(SignOff::findingId)
                        .collect(Collectors.toSet());
        List<String> looks =
                run.findings().stream()
                        .filter(f -> f.severity() == Severity.LOOK)
                        .map(Finding::id)
                        .filter(id -> !signed.contains(id))
                        .sorted()
                        .toList();
        if (!looks.isEmpty()) {
            String says = count(looks.size(), "finding") + " to look at";
            out.add(item(Subject.FINDINGS, says, looks.toString(), ticket));
        }
    }

    private static void parts(
            BoardGeometry geometry, Ticket ticket, Assignments who, List<Review> out) {
        PartsPlan plan = ticket.parts();
        List<PartsList.Line> kinds =
                PartsList.kinds(Population.of(geometry.board(), plan.variants()));
        List<String> problems = SupplyIssues.lines(kinds, plan, ticket.order().quantity());
        int troubles = problems.size();
        List<String> nobody = who.gaps().stream().map(g -> g.part().designator()).toList();
        if (troubles == 0 && nobody.isEmpty()) {
            return;
        }
        List<String> says = new ArrayList<>();
        if (troubles > 0) {
            says.add(count(troubles, "line") + " of the parts list with problems");
        }
        if (!nobody.isEmpty()) {
            says.add(count(nobody.size(), "part") + " fitted by nobody");
        }
        out.add(item(Subject.PARTS, String.join(", ", says), problems.toString() + nobody, ticket));
    }

    private static void placement(
            CapabilitySheet sheet, Ticket ticket, Assignments who, List<Review> out) {
        List<Part> placed = PlacementTable.fitted(who.house());
        if (placed.isEmpty()) {
            return;
        }
        PlacementForm form = sheet.assembly().map(Assembly::placement).orElse(PlacementForm.USUAL);
        byte[] table = PlacementTable.csv(placed, form, ticket.parts().turns());
        out.add(
                item(
                        Subject.PLACEMENT,
                        "places, sides and rotations of "
                                + count(placed.size(), "part")
                                + " that the shop fits",
                        new String(table, StandardCharsets.UTF_8),
                        ticket));
    }

    private static void polarity(
            BoardGeometry geometry, Ticket ticket, Assignments who, List<Review> out) {
        Polarities polarities = Polarities.of(geometry, ticket.parts());
        List<String> assumed =
                who.listed().stream()
                        .filter(Part::fitted)
                        .filter(p -> polarities.of(p).filter(PartPolarity::isAssumed).isPresent())
                        .map(Part::designator)
                        .sorted(Designators.ORDER)
                        .toList();
        if (!assumed.isEmpty()) {
            String more =
                    assumed.size() > NAMED ? " and " + (assumed.size() - NAMED) + " more" : "";
            out.add(
                    item(
                            Subject.POLARITY,
                            "assumed for "
                                    + assumed.stream()
                                            .limit(NAMED)
                                            .collect(Collectors.joining(", "))
                                    + more,
                            assumed.toString(),
                            ticket));
        }
    }

    private static void stencil(CapabilitySheet sheet, Ticket ticket, List<Review> out) {
        Optional<String> ordered =
                sheet.value(OrderOption.STENCIL, ticket.order()).filter(v -> !v.equals("none"));
        ordered.ifPresent(
                v ->
                        out.add(
                                item(
                                        Subject.STENCIL,
                                        "apertures of the stencil that is ordered (" + v + ")",
                                        v + ticket.stencil(),
                                        ticket)));
    }

    private static String count(int n, String what) {
        return n + " " + what + (n == 1 ? "" : "s");
    }

    private static Review item(Subject subject, String says, String content, Ticket ticket) {
        String of = Manifest.sha256(content.getBytes(StandardCharsets.UTF_8)).substring(0, DIGEST);
        Optional<Reviewed> was = Optional.ofNullable(ticket.reviewed().get(subject.id()));
        return new Review(
                subject,
                says,
                of,
                was.filter(r -> r.of().equals(of)).map(Reviewed::by),
                was.filter(r -> !r.of().equals(of)).map(Reviewed::by));
    }
}
