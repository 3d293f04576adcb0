/** Parts list and placement against each other. */
package dev.lastcut.core.check.parts;
