/**
 * Parts lists and placement tables: comma, semicolon, tab or space separated text (RFC 4180
 * quoting), any column order, the usual column names. Entry points: {@link
 * dev.lastcut.core.formats.table.PartsListReader}, {@link
 * dev.lastcut.core.formats.table.PlacementReader} and {@link
 * dev.lastcut.core.formats.table.TableWriter}.
 */
package dev.lastcut.core.formats.table;
