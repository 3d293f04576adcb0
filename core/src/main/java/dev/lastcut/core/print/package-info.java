/**
 * Prints at true scale ({@link dev.lastcut.core.print.TrueScalePrint}), and the pages that other
 * packages write on ({@link dev.lastcut.core.print.PaperPages}).
 */
package dev.lastcut.core.print;
