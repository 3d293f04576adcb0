/** Touches on the edge of the board. */
package dev.lastcut.core.touch.edge;
