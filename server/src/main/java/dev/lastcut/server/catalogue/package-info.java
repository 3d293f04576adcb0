/** A part as a counter tells it and as a ticket keeps it, in JSON. */
package dev.lastcut.server.catalogue;
