/**
 * The checks of a board against a shop. {@link dev.lastcut.core.check.CheckRunner} runs every
 * {@link dev.lastcut.core.check.Rule} that applies; a rule answers with findings, with "passed", or
 * with why it could not run, never with a pass it did not earn.
 */
package dev.lastcut.core.check;
