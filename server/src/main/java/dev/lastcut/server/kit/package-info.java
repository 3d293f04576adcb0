/** What is done at the bench: ticks and pictures, which are of no cut. */
package dev.lastcut.server.kit;
