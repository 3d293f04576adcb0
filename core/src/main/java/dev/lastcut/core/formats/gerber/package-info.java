/**
 * The Gerber layer format, read and written after the published Gerber Layer Format Specification.
 *
 * <p>Reading: {@link dev.lastcut.core.formats.gerber.GerberReader} is the entry point. Text becomes
 * commands ({@code CommandLexer}), commands change a drawing state and make features ({@code
 * GerberInterpreter}). Bad content is reported with its line and skipped, never thrown. Writing:
 * {@link dev.lastcut.core.formats.gerber.GerberWriter}.
 */
package dev.lastcut.core.formats.gerber;
