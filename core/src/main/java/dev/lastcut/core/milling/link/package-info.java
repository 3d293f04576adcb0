/**
 * Driving a mill: {@link dev.lastcut.core.milling.link.MillLink} is what a link to a machine
 * offers, {@link dev.lastcut.core.milling.link.BenchMill} is the stand-in that ships with the
 * application, {@link dev.lastcut.core.milling.link.Sender} sends a program through a link, and
 * {@link dev.lastcut.core.milling.link.Restart} makes what is left of a program after a stop.
 */
package dev.lastcut.core.milling.link;
