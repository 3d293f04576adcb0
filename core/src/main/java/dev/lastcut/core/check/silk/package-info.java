/** Legend: strokes, sizes, and what it must keep off. */
package dev.lastcut.core.check.silk;
