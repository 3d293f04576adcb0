package dev.lastcut.core.capability;

/**
 * A way to have an order sent.
 *
 * @param name as it is chosen
 * @param amount for the whole order
 * @param days on the way
 */
public record Carriage(String name, double amount, int days) {
    /** Longer is a slip of the pen. */
    private static final int MOST_DAYS = 365;

    public Carriage {
        if (name == null || name.isBlank() || name.length() > 60) {
            throw new IllegalArgumentException(
                    "price.carriage: each way has a name of 1 to 60 characters");
        }
        if (!(amount >= 0) || Double.isInfinite(amount) || days < 0 || days > MOST_DAYS) {
            throw new IllegalArgumentException(
                    "price.carriage: "
                            + name
                            + " costs from 0 and takes 0 to "
                            + MOST_DAYS
                            + " days");
        }
    }
}
