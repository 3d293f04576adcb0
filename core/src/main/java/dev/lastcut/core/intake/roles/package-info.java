/**
 * Which file is what: one question over the whole pack.
 *
 * <p>Independent {@link dev.lastcut.core.intake.roles.Witness witnesses} say, in bits, what speaks
 * for or against each role of each file; {@link dev.lastcut.core.intake.roles.Bond bonds} say how
 * well two files would go together on one side. {@link dev.lastcut.core.intake.roles.RoleSolver}
 * finds the assignment of all files for which most speaks, under the constraints of a board, and by
 * how much each file's role beats the best assignment in which it would be something else. {@link
 * dev.lastcut.core.intake.roles.RoleProposer} puts both together and says what stays in doubt.
 */
package dev.lastcut.core.intake.roles;
