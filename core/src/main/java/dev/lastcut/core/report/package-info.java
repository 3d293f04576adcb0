/**
 * The report of a check for people: {@link dev.lastcut.core.report.CheckReport} is what it says,
 * {@link dev.lastcut.core.report.FindingPicture} the picture of a place, {@link
 * dev.lastcut.core.report.HtmlReport} and {@link dev.lastcut.core.report.PdfReport} write it.
 */
package dev.lastcut.core.report;
