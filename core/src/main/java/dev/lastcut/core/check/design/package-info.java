/** The board's own class: its narrowest track, gap, ring and hole, whatever a shop can do. */
package dev.lastcut.core.check.design;
