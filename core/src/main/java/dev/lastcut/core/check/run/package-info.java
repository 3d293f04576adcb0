/** Runs the rules: {@link dev.lastcut.core.check.run.CheckRunner} knows all of them. */
package dev.lastcut.core.check.run;
