/** The fabrication drawing: {@link dev.lastcut.core.fabrication.paper.FabricationDrawing}. */
package dev.lastcut.core.fabrication.paper;
