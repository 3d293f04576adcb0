/** Solids for other programs: {@link dev.lastcut.core.formats.solid.StlWriter}. */
package dev.lastcut.core.formats.solid;
