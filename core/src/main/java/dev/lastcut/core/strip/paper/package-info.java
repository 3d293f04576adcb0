/** What is written of a layout on strip board: the plan as JSON, tables, and true-scale pages. */
package dev.lastcut.core.strip.paper;
