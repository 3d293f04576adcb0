package dev.lastcut.core.intake.roles;

/** How well two pictures would go together as different layers of one side. */
interface Bond {
    /**
     * @return bits for (or, negative, against) the first lying on the second; 0 where nothing tells
     */
    double bits(Picture upper, Picture lower);

    /** What a share of agreement tells, in words. */
    String words(Picture upper, Picture lower);
}
