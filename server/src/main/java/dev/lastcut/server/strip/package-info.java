/** Strip boards of jobs: what their station shows, and plans by the computer. */
package dev.lastcut.server.strip;
