package dev.lastcut.core.formats.gerber;

import java.util.Map;

/**
 * Evaluates the arithmetic of aperture macros: + − x / with the usual precedence, unary signs,
 * parentheses and variables, which are 0 until defined (specification, "Arithmetic expressions").
 */
final class MacroExpression {
    private static final int DEEPEST = 64;
    private final String text;
    private final Map<Integer, Double> variables;
    private int at;
    private int depth;

    private MacroExpression(String text, Map<Integer, Double> variables) {
        this.text = text;
        this.variables = variables;
    }

    /**
     * @throws NumberFormatException when the text is not an expression
     */
    static double evaluate(String text, Map<Integer, Double> variables) {
        MacroExpression e = new MacroExpression(text.replaceAll("\\s", ""), variables);
        double value = e.sum();
        if (e.at < e.text.length()) {
            throw new NumberFormatException(
                    "unexpected '" + e.text.charAt(e.at) + "' in '" + text + "'");
        }
        return value;
    }

    private double sum() {
        double value = product();
        while (at < text.length() && (peek() == '+' || peek() == '-')) {
            char op = text.charAt(at++);
            double right = product();
            value = op == '+' ? value + right : value - right;
        }
        return value;
    }

    private double product() {
        double value = factor();
        while (at < text.length() && (peek() == 'x' || peek() == 'X' || peek() == '/')) {
            char op = text.charAt(at++);
            double right = factor();
            value = op == '/' ? value / right : value * right;
        }
        return value;
    }

    private double factor() {
        if (at >= text.length()) {
            throw new NumberFormatException("the expression '" + text + "' ends too early");
        }
        char c = peek();
        if (c == '-' || c == '+' || c == '(') {
            if (++depth > DEEPEST) {
                throw new NumberFormatException("nested deeper than " + DEEPEST);
            }
            at++;
            double value = c == '(' ? sum() : factor();
            if (c == '(') {
                if (at >= text.length() || text.charAt(at++) != ')') {
                    throw new NumberFormatException("expected ')' in '" + text + "'");
                }
            }
            depth--;
            return c == '-' ? -value : value;
        }
        if (c == '$') {
            at++;
            return variables.getOrDefault((int) number(), 0.0);
        }
        return number();
    }

    private double number() {
        int start = at;
        while (at < text.length() && (Character.isDigit(peek()) || peek() == '.')) {
            at++;
        }
        return Double.parseDouble(text.substring(start, at));
    }

    private char peek() {
        return text.charAt(at);
    }
}
