/** Changes of the database that SQL alone cannot make. */
package dev.lastcut.server.store.migration;
