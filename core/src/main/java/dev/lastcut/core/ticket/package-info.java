/**
 * Everything that was chosen for a job, as one immutable value: the {@link
 * dev.lastcut.core.ticket.Ticket}. With it, what tells which part of it a result depends on, in
 * words what a choice changed, and what of it no longer fits a pack.
 */
package dev.lastcut.core.ticket;
