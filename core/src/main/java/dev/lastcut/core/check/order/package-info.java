/** What is ordered against what the shop makes together and what the board has. */
package dev.lastcut.core.check.order;
