/**
 * What is looked at when the boards come: {@link dev.lastcut.core.receiving.Checklist} is computed
 * from what was handed over, {@link dev.lastcut.core.receiving.Perspective} lays a photograph on
 * the board.
 */
package dev.lastcut.core.receiving;
