/** Tracks, gaps, areas, nets and what they carry. */
package dev.lastcut.core.check.copper;
