/**
 * What a shop can do, as numbers with unit, source and date ({@link
 * dev.lastcut.core.capability.CapabilitySheet}), and the extra margin a maker keeps over them
 * ({@link dev.lastcut.core.capability.Headroom}).
 */
package dev.lastcut.core.capability;
