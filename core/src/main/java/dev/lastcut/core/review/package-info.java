/**
 * What should be looked at before a cut is made, and by whom it was: {@link
 * dev.lastcut.core.review.Review}.
 */
package dev.lastcut.core.review;
