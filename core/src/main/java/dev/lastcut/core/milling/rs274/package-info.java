/**
 * An interpreter of RS-274/NGC programs as "The NIST RS274/NGC Interpreter, Version 3" (NISTIR
 * 6556, quoted from memory) describes the language: {@link
 * dev.lastcut.core.milling.rs274.BlockReader} reads a line with its numbers, parameters and
 * expressions, {@link dev.lastcut.core.milling.rs274.Interpreter} keeps the modal state and turns
 * lines into {@link dev.lastcut.core.milling.rs274.Step}s.
 *
 * <p>Three axes only; radius compensation (G41, G42) is refused with a sentence.
 */
package dev.lastcut.core.milling.rs274;
