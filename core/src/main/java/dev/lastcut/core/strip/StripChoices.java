package dev.lastcut.core.strip;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What is chosen about a strip board.
 *
 * @param stock the board it is made of; empty for the smallest that holds the circuit
 * @param plan empty while the computer's plan is taken
 * @param weights by which the computer compares plans
 * @param forms lead forms the user described, by designator
 */
public record StripChoices(
        Optional<String> stock,
        Optional<StripPlan> plan,
        StripWeights weights,
        Map<String, OwnForm> forms) {
    public static final StripChoices NONE =
            new StripChoices(Optional.empty(), Optional.empty(), StripWeights.USUAL, Map.of());

    public StripChoices {
        forms = Collections.unmodifiableMap(new TreeMap<>(forms));
    }

    public StripChoices with(StripPlan next) {
        return new StripChoices(stock, Optional.of(next), weights, forms);
    }

    /** The lead forms described, by designator. */
    public Map<String, LeadForm> ownForms() {
        Map<String, LeadForm> all = new TreeMap<>();
        forms.forEach((name, f) -> all.put(name, f.form()));
        return all;
    }
}
