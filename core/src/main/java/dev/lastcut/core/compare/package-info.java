/** What changed from one revision of a board to the next: copper, holes and parts. */
package dev.lastcut.core.compare;
