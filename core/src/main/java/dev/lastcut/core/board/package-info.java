/**
 * The model of a board as its files describe it: layers of features in drawing order, holes, the
 * outline, and what the tables of the pack say about nets and parts.
 *
 * <p>{@link dev.lastcut.core.board.Board} is the entry point. Features keep curves and apertures as
 * the files give them; {@link dev.lastcut.core.board.LayerImage} makes the resulting areas.
 */
package dev.lastcut.core.board;
