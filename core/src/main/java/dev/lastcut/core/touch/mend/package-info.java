/** Which touch mends which finding. */
package dev.lastcut.core.touch.mend;
