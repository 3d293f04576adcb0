/**
 * Pictures as dark pixels on a grid that all pictures of a pack share, so that what lies on what is
 * counted and not derived: however a pad was painted (flashed, filled, hatched by strokes), its
 * pixels are the same. {@link dev.lastcut.core.intake.picture.Ink} is a picture's pixels, {@link
 * dev.lastcut.core.intake.picture.Blobs} the pieces that hang together. Good enough to tell what a
 * file is; nothing is measured here.
 */
package dev.lastcut.core.intake.picture;
