/**
 * How parts are said to lie, held against the copper: rotations, sides and places. Every part gets
 * a verdict, so that what could not be judged is told as well as what is wrong.
 */
package dev.lastcut.core.placement;
