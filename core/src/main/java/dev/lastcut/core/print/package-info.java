/** Prints at true scale: {@link dev.lastcut.core.print.TrueScalePrint}. */
package dev.lastcut.core.print;
