package dev.lastcut.core.milling.level;

/** How high the top of the stock is over the plane z = 0; all in nm, program coordinates. */
public interface Surface {
    /** A flat stock. */
    Surface FLAT = (x, y) -> 0;

    double heightAt(double x, double y);
}
