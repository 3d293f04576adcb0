/** The openings of the solder mask, and how vias are covered. */
package dev.lastcut.core.check.mask;
