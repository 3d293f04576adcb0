/**
 * Background work: {@link dev.lastcut.server.work.TaskRunner} runs tasks off the request threads,
 * with progress, cancel, and a stream of changes.
 */
package dev.lastcut.server.work;
