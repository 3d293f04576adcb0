package dev.lastcut.server.sheets;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.geometry.Length;
import java.util.List;

/** The strip section of a sheet. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record StripTermsJson(Limit pitch, Limit hole, Boolean knife, List<StockJson> stock) {
    private static final double USUAL_HOLE_MM = 1;

    /** A board as it is bought. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record StockJson(String name, Integer strips, Integer holes, List<GapJson> gaps) {
        StripTerms.Stock toStock() {
            if (name == null || strips == null || holes == null) {
                throw new IllegalArgumentException(
                        "strip.stock: each board has name, strips and holes");
            }
            return new StripTerms.Stock(
                    name,
                    strips,
                    holes,
                    gaps == null ? List.of() : gaps.stream().map(GapJson::toGap).toList());
        }

        static StockJson of(StripTerms.Stock s) {
            return new StockJson(
                    s.name(),
                    s.strips(),
                    s.holes(),
                    s.gaps().isEmpty() ? null : s.gaps().stream().map(GapJson::of).toList());
        }
    }

    /** No copper at a hole, on all strips from the first to the last. */
    public record GapJson(int firstStrip, int lastStrip, int hole) {
        StripTerms.Gap toGap() {
            return new StripTerms.Gap(firstStrip, lastStrip, hole);
        }

        static GapJson of(StripTerms.Gap g) {
            return new GapJson(g.firstStrip(), g.lastStrip(), g.hole());
        }
    }

    /**
     * @throws IllegalArgumentException when a field is missing or a number of it cannot be
     */
    StripTerms toTerms() {
        if (pitch == null || stock == null) {
            throw new IllegalArgumentException("strip.pitch and strip.stock are needed");
        }
        return new StripTerms(
                pitch.nm(),
                hole == null ? Length.mm(USUAL_HOLE_MM) : hole.nm(),
                Boolean.TRUE.equals(knife),
                stock.stream().map(StockJson::toStock).toList());
    }

    static StripTermsJson of(StripTerms t) {
        return new StripTermsJson(
                new Limit(Length.toMm(t.pitchNm()), "mm", "", ""),
                new Limit(Length.toMm(t.holeNm()), "mm", "", ""),
                t.knife(),
                t.stock().stream().map(StockJson::of).toList());
    }
}
