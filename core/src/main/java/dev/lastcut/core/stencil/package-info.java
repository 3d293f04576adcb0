/**
 * Solder paste stencils: the paste picture as Gerber and as SVG for a laser. Which openings stay is
 * told by {@link dev.lastcut.core.stencil.Openings}; {@link dev.lastcut.core.stencil.StencilSvg}
 * writes them for a laser.
 */
package dev.lastcut.core.stencil;
