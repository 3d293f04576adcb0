/**
 * The order desk that ships with the application: a stand-in for the desks of the invented shops.
 * It is a service of its own on a port of its own, with storage of its own, and knows nothing but
 * the bytes that were uploaded. The protocol is described in docs/desk.md.
 */
package dev.lastcut.server.desk;
