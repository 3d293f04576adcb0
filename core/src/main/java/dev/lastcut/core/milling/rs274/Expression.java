package dev.lastcut.core.milling.rs274;

/**
 * Real values: numbers, parameters, functions and bracketed expressions (NISTIR 6556, section
 * 3.3.2). Powers bind first, then times, divide and MOD, then the rest, from the left.
 */
final class Expression {
    private static final int DEEPEST = 60;

    private final String text;
    private final int line;
    private final Parameters parameters;
    private int at;
    private int depth;

    Expression(String text, int at, int line, Parameters parameters) {
        this.text = text;
        this.at = at;
        this.line = line;
        this.parameters = parameters;
    }

    int at() {
        return at;
    }

    private ProgramError error(String sentence) {
        return new ProgramError(line, sentence);
    }

    private char peek() {
        return at < text.length() ? text.charAt(at) : '\0';
    }

    double value() throws ProgramError {
        if (++depth > DEEPEST) {
            throw error("brackets are nested too deep");
        }
        char c = peek();
        double v;
        if (c == '[') {
            v = bracket();
        } else if (c == '#') {
            at++;
            v = parameters.get(line, value());
        } else if (c == '+' || c == '-' || c == '.' || Character.isDigit(c)) {
            v = number();
        } else if (Character.isLetter(c)) {
            v = function();
        } else {
            throw error(c == '\0' ? "a number is missing at the end" : "'" + c + "' is no number");
        }
        depth--;
        if (Double.isNaN(v) || Double.isInfinite(v)) {
            throw error("a value is not a number");
        }
        return v;
    }

    private double number() throws ProgramError {
        int from = at;
        if (peek() == '+' || peek() == '-') {
            at++;
        }
        boolean digits = false;
        boolean point = false;
        while (Character.isDigit(peek()) || (peek() == '.' && !point)) {
            digits |= peek() != '.';
            point |= peek() == '.';
            at++;
        }
        if (!digits) {
            throw error("a number without digits");
        }
        return Double.parseDouble(text.substring(from, at));
    }

    private double bracket() throws ProgramError {
        if (peek() != '[') {
            throw error("an opening bracket is missing");
        }
        at++;
        double v = sum();
        if (peek() != ']') {
            throw error("a closing bracket is missing");
        }
        at++;
        return v;
    }

    private double sum() throws ProgramError {
        double v = product();
        while (peek() != ']') {
            if (take("+")) {
                v += product();
            } else if (take("-")) {
                v -= product();
            } else if (take("OR")) {
                double w = product();
                v = v != 0 || w != 0 ? 1 : 0;
            } else if (take("XOR")) {
                double w = product();
                v = (v != 0) != (w != 0) ? 1 : 0;
            } else if (take("AND")) {
                double w = product();
                v = v != 0 && w != 0 ? 1 : 0;
            } else {
                throw error("an operator or a closing bracket is missing");
            }
        }
        return v;
    }

    private double product() throws ProgramError {
        double v = power();
        while (true) {
            if (peek() == '*' && !text.startsWith("**", at)) {
                at++;
                v *= power();
            } else if (take("/")) {
                double by = power();
                if (by == 0) {
                    throw error("division by zero");
                }
                v /= by;
            } else if (take("MOD")) {
                double by = power();
                if (by == 0) {
                    throw error("MOD by zero");
                }
                v = v - Math.floor(v / by) * by;
            } else {
                return v;
            }
        }
    }

    private double power() throws ProgramError {
        double v = value();
        while (take("**")) {
            double by = value();
            if (v < 0 && by != Math.rint(by)) {
                throw error("a negative number to a power that is not whole");
            }
            v = Math.pow(v, by);
        }
        return v;
    }

    private boolean take(String word) {
        if (text.startsWith(word, at)) {
            at += word.length();
            return true;
        }
        return false;
    }

    /** Angles are in degrees. */
    private double function() throws ProgramError {
        if (take("ATAN")) {
            double y = bracket();
            if (!take("/")) {
                throw error("ATAN needs two values: ATAN[y]/[x]");
            }
            return Math.toDegrees(Math.atan2(y, bracket()));
        }
        for (String name :
                new String[] {
                    "ABS", "ACOS", "ASIN", "COS", "EXP", "FIX", "FUP", "LN", "ROUND", "SIN", "SQRT",
                    "TAN"
                }) {
            if (take(name)) {
                return apply(name, bracket());
            }
        }
        throw error("an unknown function at '" + text.substring(at) + "'");
    }

    private double apply(String name, double v) throws ProgramError {
        switch (name) {
            case "ABS":
                return Math.abs(v);
            case "ACOS":
            case "ASIN":
                if (v < -1 || v > 1) {
                    throw error(name + " of a number beyond 1");
                }
                return Math.toDegrees(name.equals("ACOS") ? Math.acos(v) : Math.asin(v));
            case "COS":
                return Math.cos(Math.toRadians(v));
            case "EXP":
                return Math.exp(v);
            case "FIX":
                return Math.floor(v);
            case "FUP":
                return Math.ceil(v);
            case "LN":
                if (v <= 0) {
                    throw error("LN of a number that is not above 0");
                }
                return Math.log(v);
            case "ROUND":
                return Math.signum(v) * Math.floor(Math.abs(v) + 0.5);
            case "SIN":
                return Math.sin(Math.toRadians(v));
            case "SQRT":
                if (v < 0) {
                    throw error("SQRT of a negative number");
                }
                return Math.sqrt(v);
            default:
                return Math.tan(Math.toRadians(v));
        }
    }
}
