/**
 * The bench kit: what is left to solder by hand, in the order to solder it, as a table to shop by
 * and as a guide on paper. {@link dev.lastcut.core.kit.BenchKit} puts it together.
 */
package dev.lastcut.core.kit;
