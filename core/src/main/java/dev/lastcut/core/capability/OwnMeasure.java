package dev.lastcut.core.capability;

/**
 * The smallest of something a board has.
 *
 * @param nm its size, nm
 * @param where its place, in words
 */
public record OwnMeasure(double nm, String where) {}
