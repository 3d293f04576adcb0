/**
 * Draws, routes and writes the demo boards of the beekeeping club. {@link
 * dev.lastcut.demo.GenerateDemo} is the entry point; what it writes is checked in under {@code
 * demo/packs}.
 */
package dev.lastcut.demo;
