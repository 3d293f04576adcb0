/**
 * From a pack of files to a board. {@link dev.lastcut.core.intake.PackReader} takes a zip or a
 * folder apart within limits; {@link dev.lastcut.core.intake.Intake} reads each file, proposes its
 * role from its content with the evidence for it, and assembles the {@link
 * dev.lastcut.core.board.Board}.
 */
package dev.lastcut.core.intake;
