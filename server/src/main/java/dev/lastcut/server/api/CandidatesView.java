package dev.lastcut.server.api;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.catalogue.Candidates;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Comparison;
import dev.lastcut.core.catalogue.DataValue;
import dev.lastcut.core.catalogue.Need;
import dev.lastcut.core.catalogue.Parameter;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.parts.PartsService;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What could be fitted for a part.
 *
 * @param original the part it is now, as far as known; null while it is not
 * @param needs what it must do, as written
 * @param offers the best first: by needs, then by how well they answer
 */
record CandidatesView(
        String designator,
        String value,
        String packageName,
        OfferView original,
        List<String> needs,
        List<OfferView> offers) {
    private static final int MOST = 40;

    /**
     * One part that could be fitted.
     *
     * @param rows against the original, parameter by parameter
     * @param pins where its pins are others; null when it or the original does not state its pins
     */
    record OfferView(
            String number,
            String maker,
            String description,
            String packageName,
            boolean samePackage,
            long stock,
            boolean lineStock,
            String life,
            Double price,
            String currency,
            String asOf,
            String match,
            List<String> evidence,
            List<String> against,
            List<ProofView> needs,
            List<RowView> rows,
            List<String> pins) {}

    /** Whether a need is met, unproven or not met, and why. */
    record ProofView(String need, String answer, String why) {}

    /** One parameter: both values in words and the verdict. */
    record RowView(String title, String original, String other, String verdict, String why) {}

    /** {@code words} are the user's own, to find further parts by; empty for none. */
    static CandidatesView of(PartsPlan plan, PartsService parts, Part part, String words) {
        List<Candidates.Candidate> found = parts.candidates(part);
        Optional<CataloguePart> original =
                plan.known(part)
                        .or(
                                () ->
                                        found.stream()
                                                .filter(Candidates.Candidate::isSure)
                                                .map(Candidates.Candidate::part)
                                                .findFirst());
        List<Need> needs = new ArrayList<>();
        List<String> said = plan.needs().getOrDefault(part.designator(), List.of());
        for (String s : said) {
            try {
                needs.add(Need.parse(s));
            } catch (IllegalArgumentException e) {
                // A ticket from elsewhere may hold what nobody can read: it stays unproven.
                continue;
            }
        }
        Map<String, OfferView> all = new LinkedHashMap<>();
        if (words.isBlank()) {
            for (Candidates.Candidate c : found) {
                all.put(c.part().number(), offer(c.part(), Optional.of(c), original, part, needs));
            }
        }
        // Looked for by hand, what was found so is shown alone.
        List<CataloguePart> others =
                words.isBlank()
                        ? original.map(parts::instead).orElse(List.of())
                        : parts.found(words);
        for (CataloguePart p : others) {
            if (!all.containsKey(p.number())) {
                all.put(p.number(), offer(p, Optional.empty(), original, part, needs));
            }
        }
        original.ifPresent(o -> all.remove(o.number()));
        return new CandidatesView(
                part.designator(),
                part.meaning().words(),
                part.packageName(),
                original.map(o -> offer(o, Optional.empty(), Optional.empty(), part, needs))
                        .orElse(null),
                said,
                all.values().stream()
                        .sorted(
                                Comparator.comparingLong(CandidatesView::notMet)
                                        .thenComparingLong(CandidatesView::unproven)
                                        .thenComparing(o -> !o.samePackage())
                                        .thenComparing(o -> o.pins() != null && !o.pins().isEmpty())
                                        .thenComparing(o -> o.stock() == 0)
                                        .thenComparing(o -> o.match().isEmpty())
                                        .thenComparingLong(CandidatesView::worse)
                                        .thenComparing(o -> !o.lineStock())
                                        .thenComparing(o -> o.price() == null ? 1e9 : o.price()))
                        .limit(MOST)
                        .toList());
    }

    private static long notMet(OfferView o) {
        return o.needs().stream().filter(p -> p.answer().equals("not-met")).count();
    }

    private static long unproven(OfferView o) {
        return o.needs().stream().filter(p -> p.answer().equals("unproven")).count();
    }

    private static long worse(OfferView o) {
        return o.rows().stream().filter(r -> r.verdict().equals("worse")).count();
    }

    private static OfferView offer(
            CataloguePart p,
            Optional<Candidates.Candidate> candidate,
            Optional<CataloguePart> original,
            Part part,
            List<Need> needs) {
        Optional<Comparison> c = original.map(o -> Comparison.of(o, p));
        return new OfferView(
                p.number(),
                p.maker(),
                p.description(),
                p.packageName(),
                p.packageName().equals(part.packageName()),
                p.supply().stock(),
                p.supply().lineStock(),
                p.supply().life().words(),
                p.supply().price(1).orElse(null),
                p.supply().currency(),
                p.asOf(),
                candidate.map(x -> PartJson.id(x.match())).orElse(""),
                candidate.map(Candidates.Candidate::evidence).orElse(List.of()),
                candidate.map(Candidates.Candidate::against).orElse(List.of()),
                needs.stream().map(n -> proof(n, p)).toList(),
                c.map(x -> x.rows().stream().map(CandidatesView::row).toList())
                        .orElseGet(() -> sheet(p)),
                c.filter(Comparison::pinsKnown).map(Comparison::pinsDiffer).orElse(null));
    }

    private static ProofView proof(Need n, CataloguePart p) {
        Need.Proof proof = n.of(p);
        return new ProofView(n.text(), PartJson.id(proof.answer()), proof.why());
    }

    private static RowView row(Comparison.Row r) {
        return new RowView(
                Parameter.title(r.parameter()),
                r.original().map(DataValue::words).orElse("not stated"),
                r.other().map(DataValue::words).orElse("not stated"),
                PartJson.id(r.verdict()),
                r.why());
    }

    private static List<RowView> sheet(CataloguePart p) {
        List<RowView> rows = new ArrayList<>();
        p.values()
                .forEach(
                        (name, v) ->
                                rows.add(
                                        new RowView(Parameter.title(name), v.words(), "", "", "")));
        return rows;
    }
}
