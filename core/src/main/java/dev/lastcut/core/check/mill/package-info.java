/** What a desktop mill makes of the board. */
package dev.lastcut.core.check.mill;
