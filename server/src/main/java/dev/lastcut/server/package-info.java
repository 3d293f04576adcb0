/** The application: {@link dev.lastcut.server.LastCut} starts the server or a command. */
package dev.lastcut.server;
