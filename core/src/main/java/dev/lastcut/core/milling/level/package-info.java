/**
 * Levelling: {@link dev.lastcut.core.milling.level.ProbeGrid} plans where to probe the stock and
 * writes the program that does, {@link dev.lastcut.core.milling.level.HeightMap} is the surface
 * through the measured points, and {@link dev.lastcut.core.milling.level.Levelling} lets tool paths
 * follow it.
 */
package dev.lastcut.core.milling.level;
