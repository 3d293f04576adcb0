package dev.lastcut.server.catalogue;

/**
 * Under what terms a counter sells; documented in docs/counter.md.
 *
 * @param carriage of a parcel of parts, in the counter's currency
 * @param days until it is there, for what is in stock
 */
public record CounterTermsJson(String name, String currency, double carriage, int days) {}
