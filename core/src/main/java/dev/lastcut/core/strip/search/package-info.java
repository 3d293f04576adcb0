/**
 * Finding a plan for a circuit on strip board: parts are placed by simulated annealing, links and
 * cuts are then laid exactly. The same circuit, board, locked parts and weights give the same plan.
 */
package dev.lastcut.core.strip.search;
