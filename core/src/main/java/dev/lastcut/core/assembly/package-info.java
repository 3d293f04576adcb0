/**
 * What an assembly house gets: the grouped bill of materials ({@link
 * dev.lastcut.core.assembly.BillOfMaterials}) and the placement table ({@link
 * dev.lastcut.core.assembly.PlacementTable}).
 */
package dev.lastcut.core.assembly;
