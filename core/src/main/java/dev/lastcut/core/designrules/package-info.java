/**
 * Rules to draw a board by: the numbers of one shop or of several, with headroom, before there is a
 * board. See {@link dev.lastcut.core.designrules.DesignRules}.
 */
package dev.lastcut.core.designrules;
