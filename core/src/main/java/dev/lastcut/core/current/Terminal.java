package dev.lastcut.core.current;

import dev.lastcut.core.geometry.Pt;

/** A pad that current enters or leaves by: its copper layer's role id and its place. */
public record Terminal(String layer, Pt at) {}
