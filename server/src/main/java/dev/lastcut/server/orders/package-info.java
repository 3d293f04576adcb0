/**
 * Orders at a board house's desk: what is uploaded and asked for, what the desk says, and how an
 * order whose connection is lost is neither placed twice nor lost. The desk is reached over HTTP
 * alone; the protocol is described in docs/desk.md.
 */
package dev.lastcut.server.orders;
