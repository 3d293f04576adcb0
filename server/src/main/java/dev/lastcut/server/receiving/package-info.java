/** Boards that came, held against the cut they were ordered by. */
package dev.lastcut.server.receiving;
