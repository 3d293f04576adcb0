/**
 * Outlines drawn in a mechanical or graphics program: {@link
 * dev.lastcut.core.formats.drawing.DxfReader} and {@link
 * dev.lastcut.core.formats.drawing.SvgReader}. Both give a {@link
 * dev.lastcut.core.formats.drawing.Drawing} of straight pieces and arcs with the scale they are to
 * be taken at.
 */
package dev.lastcut.core.formats.drawing;
