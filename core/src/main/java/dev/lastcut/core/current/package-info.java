/**
 * What current the copper of a net carries. {@link dev.lastcut.core.current.TrackCurrent} is the
 * formula of IPC-2221; {@link dev.lastcut.core.current.CopperMesh} solves the copper between two
 * terminals as a mesh of triangles; {@link dev.lastcut.core.current.NetPath} puts a net of a board
 * into such a mesh, pours and vias included.
 */
package dev.lastcut.core.current;
