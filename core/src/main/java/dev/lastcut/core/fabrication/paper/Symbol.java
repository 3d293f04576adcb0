package dev.lastcut.core.fabrication.paper;

import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDPageContentStream;

/**
 * Marks that stand for a kind of hole: eight shapes, each empty, with a dot and with a bar. From
 * the twenty-fifth kind on they begin anew, a size larger.
 */
final class Symbol {
    private static final int SHAPES = 8;
    private static final int FILLINGS = 3;

    private Symbol() {}

    /**
     * @param number of the kind, from 0
     * @param size of the mark in points
     */
    static void draw(PDPageContentStream pen, int number, float x, float y, float size)
            throws IOException {
        float r = size / 2 * (1 + 0.25f * (number / (SHAPES * FILLINGS)));
        switch (number % SHAPES) {
            case 0 -> polygon(pen, x, y, r, 24, 0);
            case 1 -> polygon(pen, x, y, r * 1.25f, 4, 45);
            case 2 -> polygon(pen, x, y, r * 1.3f, 3, 90);
            case 3 -> polygon(pen, x, y, r * 1.25f, 4, 0);
            case 4 -> cross(pen, x, y, r, 0);
            case 5 -> cross(pen, x, y, r, 45);
            case 6 -> polygon(pen, x, y, r * 1.3f, 3, 270);
            default -> polygon(pen, x, y, r * 1.15f, 6, 0);
        }
        int filling = number / SHAPES % FILLINGS;
        if (filling == 1) {
            ring(pen, x, y, r * 0.3f, 12, 0);
            pen.fill();
        } else if (filling == 2) {
            pen.moveTo(x - r * 1.5f, y);
            pen.lineTo(x + r * 1.5f, y);
            pen.stroke();
        }
    }

    private static void polygon(
            PDPageContentStream pen, float x, float y, float r, int corners, double firstDeg)
            throws IOException {
        ring(pen, x, y, r, corners, firstDeg);
        pen.stroke();
    }

    private static void ring(
            PDPageContentStream pen, float x, float y, float r, int corners, double firstDeg)
            throws IOException {
        for (int i = 0; i < corners; i++) {
            double a = Math.toRadians(firstDeg + 360.0 * i / corners);
            float px = (float) (x + r * Math.cos(a));
            float py = (float) (y + r * Math.sin(a));
            if (i == 0) {
                pen.moveTo(px, py);
            } else {
                pen.lineTo(px, py);
            }
        }
        pen.closePath();
    }

    private static void cross(PDPageContentStream pen, float x, float y, float r, double deg)
            throws IOException {
        for (int i = 0; i < 2; i++) {
            double a = Math.toRadians(deg + 90 * i);
            float dx = (float) (r * 1.2 * Math.cos(a));
            float dy = (float) (r * 1.2 * Math.sin(a));
            pen.moveTo(x - dx, y - dy);
            pen.lineTo(x + dx, y + dy);
        }
        pen.stroke();
    }
}
