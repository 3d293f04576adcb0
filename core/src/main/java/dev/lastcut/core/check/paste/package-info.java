/** Paste and what a stencil of it would be like (IPC-7525, from memory). */
package dev.lastcut.core.check.paste;
