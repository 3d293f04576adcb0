/** Checks of plans for strip board: what is joined, and whether it can be built. */
package dev.lastcut.core.check.strip;
