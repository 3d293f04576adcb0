/** Whether every file is there, has a role, and lies on the others. */
package dev.lastcut.core.check.files;
