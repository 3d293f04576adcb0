package dev.lastcut.core.assembly;

import dev.lastcut.core.formats.table.Designators;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The ways in which a board is populated.
 *
 * @param base what is chosen for every build, by designator
 * @param named what each variant has other than the base, by its name
 * @param built the variant that is made; empty for the base
 */
public record Variants(
        SortedMap<String, Fitting> base,
        SortedMap<String, SortedMap<String, Fitting>> named,
        Optional<String> built) {
    public static final Variants NONE =
            new Variants(new TreeMap<>(), new TreeMap<>(), Optional.empty());

    /** Longest name of a variant. */
    public static final int LONGEST_NAME = 60;

    /**
     * @throws IllegalArgumentException when a name cannot be used
     */
    public Variants {
        base = sorted(base);
        TreeMap<String, SortedMap<String, Fitting>> all = new TreeMap<>();
        named.forEach((name, own) -> all.put(requireName(name), sorted(own)));
        named = Collections.unmodifiableSortedMap(all);
    }

    private static SortedMap<String, Fitting> sorted(Map<String, Fitting> by) {
        TreeMap<String, Fitting> all = new TreeMap<>(Designators.ORDER);
        by.forEach(
                (designator, f) -> {
                    if (!f.saysNothing()) {
                        all.put(designator, f);
                    }
                });
        return Collections.unmodifiableSortedMap(all);
    }

    /**
     * @throws IllegalArgumentException when it is empty, too long, or has what no file name may
     */
    public static String requireName(String name) {
        boolean printable = name.chars().noneMatch(c -> Character.isISOControl(c));
        if (name.isBlank()
                || !name.equals(name.strip())
                || name.length() > LONGEST_NAME
                || !printable) {
            throw new IllegalArgumentException(
                    "a variant's name has 1 to "
                            + LONGEST_NAME
                            + " characters and no space at its ends");
        }
        return name;
    }

    public List<String> names() {
        return List.copyOf(named.keySet());
    }

    /** What is chosen for a designator in a variant; the base's where the variant says nothing. */
    public Fitting of(Optional<String> variant, String designator) {
        Fitting usual = base.getOrDefault(designator, Fitting.AS_LISTED);
        return variant.map(named::get)
                .map(own -> own.get(designator))
                .map(f -> f.over(usual))
                .orElse(usual);
    }

    /**
     * With another variant to be made.
     *
     * @throws IllegalArgumentException when there is none of that name
     */
    public Variants building(Optional<String> variant) {
        variant.filter(v -> !named.containsKey(v))
                .ifPresent(
                        v -> {
                            String there =
                                    named.isEmpty()
                                            ? "the ticket has none"
                                            : "there are " + String.join(", ", named.keySet());
                            throw new IllegalArgumentException(
                                    "There is no variant " + v + "; " + there + ".");
                        });
        return new Variants(base, named, variant);
    }

    /** With what is chosen for one designator in a variant, or in the base. */
    public Variants with(Optional<String> variant, String designator, Fitting chosen) {
        return with(variant, Map.of(designator, chosen));
    }

    /** With what is chosen for several designators in a variant, or in the base. */
    public Variants with(Optional<String> variant, Map<String, Fitting> chosen) {
        if (variant.isEmpty()) {
            TreeMap<String, Fitting> next = new TreeMap<>(base);
            next.putAll(chosen);
            return new Variants(next, named, built);
        }
        TreeMap<String, SortedMap<String, Fitting>> all = new TreeMap<>(named);
        TreeMap<String, Fitting> own = new TreeMap<>(Designators.ORDER);
        own.putAll(named.getOrDefault(variant.get(), new TreeMap<>()));
        own.putAll(chosen);
        all.put(variant.get(), own);
        return new Variants(base, all, built);
    }

    /** Without what is chosen for some designators. */
    public Variants without(Set<String> designators) {
        TreeMap<String, Fitting> left = new TreeMap<>(base);
        left.keySet().removeAll(designators);
        TreeMap<String, SortedMap<String, Fitting>> all = new TreeMap<>();
        named.forEach(
                (name, own) -> {
                    TreeMap<String, Fitting> kept = new TreeMap<>(own);
                    kept.keySet().removeAll(designators);
                    all.put(name, kept);
                });
        return new Variants(left, all, built);
    }

    /** With a variant that begins as a copy of another, or of the base. */
    public Variants adding(String name, Optional<String> like) {
        if (named.containsKey(name)) {
            throw new IllegalArgumentException("There is a variant " + name + " already.");
        }
        TreeMap<String, SortedMap<String, Fitting>> all = new TreeMap<>(named);
        all.put(name, like.map(named::get).orElse(new TreeMap<>()));
        return new Variants(base, all, built);
    }

    /** Without one variant; what was to be built of it becomes the base. */
    public Variants dropping(String name) {
        TreeMap<String, SortedMap<String, Fitting>> all = new TreeMap<>(named);
        all.remove(name);
        return new Variants(base, all, built.filter(b -> !b.equals(name)));
    }
}
