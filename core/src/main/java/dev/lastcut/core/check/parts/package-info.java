/** Parts list, placement and what is known of the parts, against each other and the shop. */
package dev.lastcut.core.check.parts;
