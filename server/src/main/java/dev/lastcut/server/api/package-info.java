/**
 * The HTTP API. Lengths are integer nanometres where they are places on the table, millimetres
 * where the name says so. Errors have one shape on every route ({@link
 * dev.lastcut.server.api.ApiError}).
 */
package dev.lastcut.server.api;
