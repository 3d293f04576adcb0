/** Services outside of the application, asked over HTTP and never waited for beyond a limit. */
package dev.lastcut.server.outside;
