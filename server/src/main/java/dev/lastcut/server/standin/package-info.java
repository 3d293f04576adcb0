/**
 * What the services that stand in for others have in common: they listen on a loopback port of
 * their own, answer programs on this machine alone, and can be told to behave badly.
 */
package dev.lastcut.server.standin;
