package dev.lastcut.core.milling.rs274;

/** The numbered parameters of the language, 1 to 5399. */
final class Parameters {
    private static final int LAST = 5399;

    private final double[] values = new double[LAST + 1];

    double get(int line, double index) throws ProgramError {
        return values[index(line, index)];
    }

    void set(int line, double index, double value) throws ProgramError {
        values[index(line, index)] = value;
    }

    private static int index(int line, double index) throws ProgramError {
        long n = Math.round(index);
        if (Math.abs(index - n) > 1e-4 || n < 1 || n > LAST) {
            throw new ProgramError(line, "parameter #" + index + " is not one of 1 to 5399");
        }
        return (int) n;
    }
}
