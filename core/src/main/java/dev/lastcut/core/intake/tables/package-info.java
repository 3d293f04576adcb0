/**
 * Placements laid on pads: {@link dev.lastcut.core.intake.tables.PlacementFit} finds the unit, the
 * origin and the habits with which the parts of a table lie on the board's pads; on pads that are
 * known by name ({@link dev.lastcut.core.intake.tables.NamedPads}), else on bare openings ({@link
 * dev.lastcut.core.intake.tables.OpenPads}).
 */
package dev.lastcut.core.intake.tables;
