/**
 * Rehearsal: runs the very text of programs on a stock that exists only here, and looks at what is
 * left. {@link dev.lastcut.core.milling.rehearsal.Playback} interprets the programs and keeps what
 * the tools do, {@link dev.lastcut.core.milling.rehearsal.Hazards} looks at every move, {@link
 * dev.lastcut.core.milling.rehearsal.Verdict} holds the remaining board against the wanted one.
 */
package dev.lastcut.core.milling.rehearsal;
