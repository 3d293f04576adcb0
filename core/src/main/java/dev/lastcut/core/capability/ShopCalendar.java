package dev.lastcut.core.capability;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * When a shop works.
 *
 * @param closed days of the week on which it does not
 * @param holidays single days on which it does not
 * @param cutOff what is ordered later counts from the next day; empty for midnight
 */
public record ShopCalendar(
        Set<DayOfWeek> closed, Set<LocalDate> holidays, Optional<LocalTime> cutOff) {
    /** Works on every day of the year. */
    public static final ShopCalendar EVERY_DAY =
            new ShopCalendar(Set.of(), Set.of(), Optional.empty());

    /** Parcels are carried on these days (common practice, no source). */
    private static final Set<DayOfWeek> NOT_CARRIED =
            EnumSet.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);

    private static final int MOST_HOLIDAYS = 400;

    public ShopCalendar {
        closed = Set.copyOf(closed);
        holidays = Set.copyOf(holidays);
        if (closed.size() == DayOfWeek.values().length) {
            throw new IllegalArgumentException(
                    "calendar: the shop is closed on all seven days of the week");
        }
        if (holidays.size() > MOST_HOLIDAYS) {
            throw new IllegalArgumentException(
                    "calendar: at most " + MOST_HOLIDAYS + " single closed days");
        }
    }

    /** The day from which an order counts. */
    public LocalDate begins(LocalDateTime ordered) {
        LocalDate day = ordered.toLocalDate();
        boolean late = cutOff.filter(t -> !ordered.toLocalTime().isBefore(t)).isPresent();
        return open(late || !isOpen(day) ? day.plusDays(1) : day);
    }

    /**
     * When an order arrives: made on so many working days after that from which it counts, then
     * carried for so many days from Monday to Friday.
     */
    public LocalDate arrives(LocalDateTime ordered, int makingDays, int carriageDays) {
        LocalDate day = begins(ordered);
        for (int i = 0; i < makingDays; i++) {
            day = open(day.plusDays(1));
        }
        for (int i = 0; i < carriageDays; i++) {
            do {
                day = day.plusDays(1);
            } while (NOT_CARRIED.contains(day.getDayOfWeek()));
        }
        return day;
    }

    private boolean isOpen(LocalDate day) {
        return !closed.contains(day.getDayOfWeek()) && !holidays.contains(day);
    }

    /** The day itself, or the next on which the shop works. */
    private LocalDate open(LocalDate from) {
        LocalDate day = from;
        while (!isOpen(day)) {
            day = day.plusDays(1);
        }
        return day;
    }
}
