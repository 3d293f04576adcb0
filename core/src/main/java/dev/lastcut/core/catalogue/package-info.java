/**
 * What a parts counter knows of a part ({@link dev.lastcut.core.catalogue.CataloguePart}), and what
 * follows from it: which part a line of the list means ({@link
 * dev.lastcut.core.catalogue.Candidates}), how two parts compare ({@link
 * dev.lastcut.core.catalogue.Comparison}), and whether a part does what is needed ({@link
 * dev.lastcut.core.catalogue.Need}).
 */
package dev.lastcut.core.catalogue;
