/**
 * Strip board: parts snapped to a grid of holes, strips of copper that are cut, and wire links.
 *
 * <p>Strips run along x and are counted from 0 at the top, holes from 0 at the left, both as seen
 * from the part side. {@link dev.lastcut.core.strip.StripCircuit} is what must be connected, {@link
 * dev.lastcut.core.strip.StripPlan} how it is laid out, {@link dev.lastcut.core.strip.StripCopper}
 * what the plan connects, {@link dev.lastcut.core.strip.search} finds plans.
 */
package dev.lastcut.core.strip;
