package dev.lastcut.core.cut;

/** A finding accepted: by whom, with what reason, when (ISO 8601). */
public record SignOff(String findingId, String by, String reason, String at) {}
