/** JMH benchmarks of the core; run with {@code ./lastcut bench}. */
package dev.lastcut.bench;
