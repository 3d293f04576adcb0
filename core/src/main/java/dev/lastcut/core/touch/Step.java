package dev.lastcut.core.touch;

/**
 * A touch in the list of a job.
 *
 * @param on false while it is switched off
 */
public record Step(Touch touch, boolean on) {}
