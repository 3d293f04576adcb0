/** Touches on silk, mask and paste, and lettering and art on any layer. */
package dev.lastcut.core.touch.picture;
