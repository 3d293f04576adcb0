/**
 * Parts of a job: what is chosen about them, and what the parts counter is asked. The counter is
 * reached over HTTP alone.
 */
package dev.lastcut.server.parts;
