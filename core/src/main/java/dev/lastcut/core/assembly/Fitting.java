package dev.lastcut.core.assembly;

import java.util.Optional;

/** What is chosen for one designator; what is empty is as the pack says. */
public record Fitting(
        Optional<Boolean> fitted,
        Optional<String> value,
        Optional<String> partNumber,
        Optional<String> footprint) {
    public static final Fitting AS_LISTED =
            new Fitting(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    public static Fitting fitted(boolean fitted) {
        return new Fitting(
                Optional.of(fitted), Optional.empty(), Optional.empty(), Optional.empty());
    }

    public static Fitting number(String partNumber) {
        return new Fitting(
                Optional.empty(), Optional.empty(), Optional.of(partNumber), Optional.empty());
    }

    /** This, and where it says nothing, what another says. */
    public Fitting over(Fitting base) {
        return new Fitting(
                fitted.or(base::fitted),
                value.or(base::value),
                partNumber.or(base::partNumber),
                footprint.or(base::footprint));
    }

    public boolean saysNothing() {
        return equals(AS_LISTED);
    }
}
