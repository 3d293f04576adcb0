package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.geometry.Pt;

/**
 * Something dangerous or wrong in a program.
 *
 * @param line from 1; 0 when it is not about one line
 * @param also how many more lines of the program have the same
 * @param severe whether the program must not run so
 */
public record Hazard(String program, int line, String sentence, Pt at, int also, boolean severe) {}
