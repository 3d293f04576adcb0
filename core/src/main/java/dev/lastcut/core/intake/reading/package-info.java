/**
 * What each file of a pack turned out to be when read: {@link
 * dev.lastcut.core.intake.reading.Reading#of} looks at the content, never at the name alone, and
 * hands the file to the reader of its format.
 */
package dev.lastcut.core.intake.reading;
