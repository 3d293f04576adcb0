/** Adapter boards that bring the leads of a fine-pitch part to header rows on a 2.54 mm grid. */
package dev.lastcut.core.adapter;
