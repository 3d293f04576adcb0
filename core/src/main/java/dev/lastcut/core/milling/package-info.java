/**
 * Programs for a desktop mill. {@link dev.lastcut.core.milling.MillingPlan} plans the operations of
 * a board in order: isolation ({@link dev.lastcut.core.milling.Isolation}), drilling, bored holes
 * and slots, cut-outs, and the contour with its tabs; {@link
 * dev.lastcut.core.milling.ProgramWriter} writes each as an RS-274/NGC program.
 *
 * <p>Tool paths are planned in the pack's coordinates, z = 0 at the top of the stock; only the
 * program is in the mill's ({@link dev.lastcut.core.milling.ProgramToBoardTransform}).
 */
package dev.lastcut.core.milling;
