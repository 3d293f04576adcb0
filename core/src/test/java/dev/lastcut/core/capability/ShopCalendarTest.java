package dev.lastcut.core.capability;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Dates of arrival, counted on a wall calendar of December 2026 (the 1st is a Tuesday). */
class ShopCalendarTest {
    private static final ShopCalendar WEEK =
            new ShopCalendar(
                    EnumSet.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY),
                    Set.of(LocalDate.of(2026, 12, 24), LocalDate.of(2026, 12, 25)),
                    Optional.of(LocalTime.of(14, 0)));

    private static LocalDateTime at(int day, int hour) {
        return LocalDateTime.of(2026, 12, day, hour, 0);
    }

    @Test
    void workingDaysAndCutOff() {
        // Wednesday the 2nd at noon, three days to make: Monday the 7th; two days on the way.
        assertThat(WEEK.arrives(at(2, 12), 3, 2)).isEqualTo(LocalDate.of(2026, 12, 9));
        // The same at 14:00 counts from Thursday.
        assertThat(WEEK.arrives(at(2, 14), 3, 2)).isEqualTo(LocalDate.of(2026, 12, 10));
        // On a Saturday it counts from Monday.
        assertThat(WEEK.begins(at(5, 9))).isEqualTo(LocalDate.of(2026, 12, 7));
        // Over Christmas: the 24th and 25th are closed, the 26th and 27th a weekend.
        assertThat(WEEK.arrives(at(23, 9), 1, 0)).isEqualTo(LocalDate.of(2026, 12, 28));
        assertThat(ShopCalendar.EVERY_DAY.arrives(at(4, 23), 0, 1))
                .isEqualTo(LocalDate.of(2026, 12, 7));
    }

    /** A later order never arrives earlier, and more days never make it sooner. */
    @Test
    void neverSooner() {
        Random r = new Random(5);
        for (int i = 0; i < 500; i++) {
            LocalDateTime a = at(1, 0).plusHours(r.nextInt(600));
            LocalDateTime b = a.plusHours(r.nextInt(100));
            int making = r.nextInt(20);
            int way = r.nextInt(8);
            assertThat(WEEK.arrives(b, making, way)).isAfterOrEqualTo(WEEK.arrives(a, making, way));
            assertThat(WEEK.arrives(a, making + 1, way)).isAfter(WEEK.arrives(a, making, 0));
        }
    }

    @Test
    void closedForEverIsRefused() {
        assertThatThrownBy(
                        () ->
                                new ShopCalendar(
                                        EnumSet.allOf(DayOfWeek.class), Set.of(), Optional.empty()))
                .hasMessageContaining("closed on all seven days");
    }
}
