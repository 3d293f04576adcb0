/**
 * The one way from a pack to what is handed over: {@link dev.lastcut.core.job.JobPipeline}. The
 * server, the command line and the tests all go it.
 */
package dev.lastcut.core.job;
