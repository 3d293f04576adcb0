/**
 * Which pads are whose: by the netlist or the attributes of the copper, else by where the terminals
 * of the package lie. See {@link dev.lastcut.core.padmatch.PadMatch}.
 */
package dev.lastcut.core.padmatch;
