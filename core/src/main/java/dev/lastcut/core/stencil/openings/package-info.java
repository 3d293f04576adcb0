/**
 * The openings of a stencil as they will be cut: from the paste pictures or from pads, shaped as
 * the plan says. {@link dev.lastcut.core.stencil.openings.Stencil} is the whole of one side.
 */
package dev.lastcut.core.stencil.openings;
