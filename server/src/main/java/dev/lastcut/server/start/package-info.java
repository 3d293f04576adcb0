/** Starting the server: its data directory, its port and its options, each fault in a sentence. */
package dev.lastcut.server.start;
