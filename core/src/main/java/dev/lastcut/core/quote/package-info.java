/** What a job costs at a shop as it is ordered: {@link dev.lastcut.core.quote.JobQuote}. */
package dev.lastcut.core.quote;
