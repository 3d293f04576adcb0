/**
 * What goes to the bench on paper: {@link dev.lastcut.core.milling.paper.SetupSheet} tells in which
 * order what is done with which tool and where the board lies in the stock.
 */
package dev.lastcut.core.milling.paper;
