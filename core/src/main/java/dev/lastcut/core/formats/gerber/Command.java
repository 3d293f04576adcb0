package dev.lastcut.core.formats.gerber;

import java.util.List;

/**
 * One command of a Gerber file: a single word command, or the words between two percent signs.
 *
 * @param words without their closing asterisks
 */
record Command(int line, boolean extended, List<String> words) {}
