/**
 * Who fits each part of a board and why: one verdict that the lists, the placement, the bench
 * guide, the drawing, the report and the screens share.
 */
package dev.lastcut.core.assignment;
