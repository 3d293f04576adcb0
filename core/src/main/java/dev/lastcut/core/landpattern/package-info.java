/**
 * What stands under a part: the terminals of usual packages, and whether a board's pads are where
 * they are needed.
 */
package dev.lastcut.core.landpattern;
