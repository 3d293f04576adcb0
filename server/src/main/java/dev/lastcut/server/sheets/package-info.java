/**
 * Capability sheets as JSON: {@link dev.lastcut.server.sheets.SheetJson} is the format, {@link
 * dev.lastcut.server.sheets.SheetLibrary} holds those that ship with the application.
 */
package dev.lastcut.server.sheets;
