/** Holes and slots: sizes, rings, spacing, plating. */
package dev.lastcut.core.check.holes;
