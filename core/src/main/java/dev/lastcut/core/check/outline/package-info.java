/** The board's edge: closed, single, not crossing itself, of a size the shop takes. */
package dev.lastcut.core.check.outline;
