package dev.lastcut.server.api;

/** What went wrong: a code for programs, a sentence for people. */
public record ApiError(String code, String message) {}
