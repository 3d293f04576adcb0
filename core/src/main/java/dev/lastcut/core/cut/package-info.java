/**
 * What is handed over: {@link dev.lastcut.core.cut.OutputSet} makes every file of a board for a
 * shop; {@link dev.lastcut.core.cut.Manifest} freezes them with hashes, findings and sign-offs.
 */
package dev.lastcut.core.cut;
