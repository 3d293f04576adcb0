/** Sets of places laid over each other: how many meet, and what would make them meet. */
package dev.lastcut.core.intake.places;
