/**
 * Solder paste stencils: the paste picture as Gerber and as SVG for a laser. Entry point: {@link
 * dev.lastcut.core.stencil.StencilSvg}.
 */
package dev.lastcut.core.stencil;
