/**
 * Finishing touches: small operations on the model of a board, done one after the other on what the
 * pack says. {@link dev.lastcut.core.touch.Touches} does them; each kind is a class of its own in
 * the packages below.
 */
package dev.lastcut.core.touch;
