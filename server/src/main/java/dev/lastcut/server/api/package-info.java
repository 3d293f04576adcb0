/**
 * The HTTP API. Lengths are integer nanometres where they are places on the table, millimetres
 * where the name says so. Errors have one shape on every route: the problem details of RFC 9457
 * ({@link dev.lastcut.server.api.ErrorAdvice}).
 */
package dev.lastcut.server.api;
