/**
 * The bare-board test netlist after IPC-D-356 and IPC-D-356A: fixed columns, one test point a line.
 * Entry point: {@link dev.lastcut.core.formats.netlist.NetlistReader}.
 */
package dev.lastcut.core.formats.netlist;
