package dev.lastcut.core.stencil;

import dev.lastcut.core.assembly.PackageName;
import java.util.Collections;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * What is chosen about the stencil.
 *
 * @param foilMm thickness of the foil; empty: as ordered, or the shop's usual
 * @param all how all openings are shaped
 * @param packages the same for the openings of a package, a footprint's name or the package in it
 * @param leaveOutUnfitted whether pads of parts that are left off get no paste
 * @param mounting what it is held by
 */
public record StencilPlan(
        Optional<Double> foilMm,
        Shaping all,
        SortedMap<String, Shaping> packages,
        boolean leaveOutUnfitted,
        Mounting mounting) {
    public static final StencilPlan AS_DRAWN =
            new StencilPlan(
                    Optional.empty(), Shaping.AS_DRAWN, new TreeMap<>(), false, Mounting.FOIL);

    /**
     * What holds a stencil.
     *
     * @param framed whether it is glued into a frame, which the house does
     * @param alignMm diameter of four holes about the board for pins, 0 for none
     */
    public record Mounting(boolean framed, double alignMm) {
        public static final Mounting FOIL = new Mounting(false, 0);

        public Mounting {
            if (!(alignMm >= 0 && alignMm <= 20)) {
                throw new IllegalArgumentException("align_mm is from 0 to 20, not " + alignMm);
            }
        }
    }

    public StencilPlan {
        packages = Collections.unmodifiableSortedMap(new TreeMap<>(packages));
        foilMm.filter(f -> !(f >= 0.02 && f <= 1))
                .ifPresent(
                        f -> {
                            throw new IllegalArgumentException(
                                    "foil_mm is from 0.02 to 1, not " + f);
                        });
    }

    public StencilPlan leavingOutUnfitted(boolean leave) {
        return new StencilPlan(foilMm, all, packages, leave, mounting);
    }

    /** How the openings of a footprint are shaped; "" for pads of no known part. */
    public Shaping of(String footprint) {
        Shaping own = packages.get(footprint);
        if (own == null && !footprint.isEmpty()) {
            own = packages.get(PackageName.of(footprint));
        }
        return own == null ? all : own.over(all);
    }

    /** Whether the openings are as they were drawn, but for parts left off. */
    public boolean shapesNothing() {
        return all.equals(Shaping.AS_DRAWN) && packages.isEmpty();
    }
}
