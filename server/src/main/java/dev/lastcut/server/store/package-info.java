/** What is kept in SQLite, through plain JDBC: one class per group of tables. */
package dev.lastcut.server.store;
