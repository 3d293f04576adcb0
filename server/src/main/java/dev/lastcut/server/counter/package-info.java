/**
 * The parts counter that ships with the application: a stand-in with invented makers, numbers and
 * prices. It is a service of its own on a port of its own; the application reaches it over HTTP
 * alone ({@link dev.lastcut.server.parts}), so that another can stand in its place by its address.
 * The protocol is described in docs/counter.md.
 */
package dev.lastcut.server.counter;
