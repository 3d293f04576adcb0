/**
 * What the values of parts mean, however they are written: {@link dev.lastcut.core.value.PartValue}
 * with its amount and ratings, letter code after IEC 60062, preferred numbers after IEC 60063, and
 * arithmetic with units ({@link dev.lastcut.core.value.Arithmetic}).
 */
package dev.lastcut.core.value;
