/** The panel against what the shop takes, and what stands or lies where it is broken. */
package dev.lastcut.core.check.panel;
