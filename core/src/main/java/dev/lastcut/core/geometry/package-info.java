/**
 * Plane geometry of boards, on JTS.
 *
 * <p>Coordinates are integer nanometres, x to the right and y up. JTS geometries carry the same
 * integers in their coordinates; every overlay snaps to that grid ({@link
 * dev.lastcut.core.geometry.Geo}), so that the same input gives the same output on every machine.
 * Curves stay curves ({@link dev.lastcut.core.geometry.Segment}) until a {@link
 * dev.lastcut.core.geometry.Flattener} turns them into chords with a stated error.
 */
package dev.lastcut.core.geometry;
