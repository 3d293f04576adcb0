/**
 * Which copper is joined to which. {@link dev.lastcut.core.connectivity.CopperNets} finds the nets
 * from geometry alone: touching copper on a layer, plated holes through the stack. {@link
 * dev.lastcut.core.connectivity.NetReference} lays the names of the netlist over them. {@link
 * dev.lastcut.core.connectivity.BoardGeometry} keeps what is computed once per board.
 */
package dev.lastcut.core.connectivity;
