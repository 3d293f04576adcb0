/**
 * The ticket as a file: {@code ticket.json}, its schema, and the errors that name a key by its
 * path. The same codec serves files, the database and the interface.
 */
package dev.lastcut.server.ticket;
