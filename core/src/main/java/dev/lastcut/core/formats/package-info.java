/** What the readers and writers of all file formats share. */
package dev.lastcut.core.formats;
