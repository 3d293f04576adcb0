package dev.lastcut.core.milling;

import dev.lastcut.core.geometry.Measure;
import org.locationtech.jts.geom.Polygon;

/**
 * Two nets that stay joined because no chosen tool enters the gap between them.
 *
 * @param gap the narrowest place there
 * @param area the copper that stays
 */
public record Joined(int netA, int netB, Measure gap, Polygon area) {}
