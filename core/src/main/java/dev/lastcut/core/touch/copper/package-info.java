/** Touches on copper: areas, tracks, rings. Each keeps its clearances by construction. */
package dev.lastcut.core.touch.copper;
