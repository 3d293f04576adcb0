package dev.lastcut.core.touch;

import dev.lastcut.core.geometry.Pt;
import java.util.List;

/** A touch that is not done, with why, and where. */
public final class NotDone extends Exception {
    private static final long serialVersionUID = 1;

    private final transient List<Pt> places;

    public NotDone(String why, List<Pt> places) {
        super(why);
        this.places = List.copyOf(places);
    }

    public NotDone(String why, Pt... places) {
        this(why, List.of(places));
    }

    public List<Pt> places() {
        return places;
    }
}
