/** The commands that need no server: {@code make} and {@code sheets}. */
package dev.lastcut.server.cli;
