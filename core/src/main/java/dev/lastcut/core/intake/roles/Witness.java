package dev.lastcut.core.intake.roles;

/**
 * One kind of evidence about what the pictures of a pack are. Witnesses know nothing of another.
 */
interface Witness {
    void testify(PackFacts pack, Testimony testimony);
}
