/**
 * Computing that can be stopped: {@link dev.lastcut.core.work.WorkLimit} counts steps against a
 * stated maximum and asks whether the result is still wanted; {@link
 * dev.lastcut.core.work.Parallel} carries it to other threads.
 */
package dev.lastcut.core.work;
