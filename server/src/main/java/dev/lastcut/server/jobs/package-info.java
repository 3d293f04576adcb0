/**
 * The job as the server works on it: {@link dev.lastcut.server.jobs.JobService} ties storage, the
 * core's computation and background work together; results are kept by the hash of what they were
 * computed from.
 */
package dev.lastcut.server.jobs;
