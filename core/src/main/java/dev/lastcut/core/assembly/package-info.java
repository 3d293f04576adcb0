/**
 * What is built: parts as the pack and the ticket have them ({@link
 * dev.lastcut.core.assembly.Population}), in {@link dev.lastcut.core.assembly.Variants}, and what
 * an assembly house gets of them: the folded list ({@link dev.lastcut.core.assembly.PartsList}) and
 * the placement ({@link dev.lastcut.core.assembly.PlacementTable}).
 */
package dev.lastcut.core.assembly;
