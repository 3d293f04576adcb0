/**
 * The documents that go out as JSON: the report (docs/report.md) and the manifest of a cut. Field
 * names are part of a format, so they stand here apart from the core's own records.
 */
package dev.lastcut.server.report;
