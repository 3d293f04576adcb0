/**
 * Drill files: read in the common dialects, written as XNC (the published XNC specification, a
 * strict subset of the old drill language). Entry points: {@link
 * dev.lastcut.core.formats.drill.DrillReader} and {@link
 * dev.lastcut.core.formats.drill.DrillWriter}.
 */
package dev.lastcut.core.formats.drill;
