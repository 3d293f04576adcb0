/**
 * What a board house gets: one Gerber X2 file a layer, and XNC drill files by plating, written from
 * our model. Entry point: {@link dev.lastcut.core.fabrication.FabricationPack}.
 */
package dev.lastcut.core.fabrication;
