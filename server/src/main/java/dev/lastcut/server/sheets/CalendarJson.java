package dev.lastcut.server.sheets;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.capability.ShopCalendar;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * When a shop works.
 *
 * @param closed days of the week, {@code sunday}
 * @param holidays days, ISO 8601
 * @param cutOff time of day, {@code 14:00}
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record CalendarJson(List<String> closed, List<String> holidays, String cutOff) {
    static CalendarJson of(ShopCalendar c) {
        return new CalendarJson(
                c.closed().stream().sorted().map(d -> d.name().toLowerCase(Locale.ROOT)).toList(),
                c.holidays().stream().sorted().map(LocalDate::toString).toList(),
                c.cutOff().map(LocalTime::toString).orElse(null));
    }

    /**
     * @throws IllegalArgumentException when a day or a time cannot be
     */
    ShopCalendar toCalendar() {
        return new ShopCalendar(
                all(closed).stream().map(CalendarJson::weekday).collect(Collectors.toSet()),
                all(holidays).stream()
                        .map(d -> time(d, LocalDate::parse, "2026-12-24"))
                        .collect(Collectors.toSet()),
                Optional.ofNullable(cutOff).map(t -> time(t, LocalTime::parse, "14:00")));
    }

    private static List<String> all(List<String> given) {
        return given == null ? List.of() : given;
    }

    private static DayOfWeek weekday(String word) {
        for (DayOfWeek d : DayOfWeek.values()) {
            if (d.name().toLowerCase(Locale.ROOT).equals(word)) {
                return d;
            }
        }
        throw new IllegalArgumentException(
                "calendar: '" + word + "' is no day of the week, such as sunday");
    }

    private static <T> T time(String text, Function<String, T> read, String such) {
        try {
            return read.apply(text);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "calendar: '" + text + "' cannot be; it is written as " + such, e);
        }
    }
}
