/** Touches on holes. */
package dev.lastcut.core.touch.holes;
