/**
 * The board as a body, for whoever draws its enclosure: {@link
 * dev.lastcut.core.mechanical.OutlineDrawing} and {@link dev.lastcut.core.mechanical.SolidBoard}.
 */
package dev.lastcut.core.mechanical;
