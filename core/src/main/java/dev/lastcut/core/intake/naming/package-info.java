/**
 * What the words in names and comments tell: the trade's usual habits (common practice, no source).
 * {@link dev.lastcut.core.intake.naming.Words} splits a text, {@link
 * dev.lastcut.core.intake.naming.Vocabulary} knows the words, {@link
 * dev.lastcut.core.intake.naming.Hints} is what they say together. Evidence, never proof.
 */
package dev.lastcut.core.intake.naming;
