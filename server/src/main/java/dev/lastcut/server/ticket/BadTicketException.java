package dev.lastcut.server.ticket;

import java.util.List;

/** What is wrong with a ticket, each fault with the path of its key. */
public final class BadTicketException extends Exception {
    private static final long serialVersionUID = 1;
    private static final int MOST = 8;

    BadTicketException(List<String> faults) {
        super(sentence(faults));
    }

    private static String sentence(List<String> faults) {
        String all = String.join("; ", faults.subList(0, Math.min(MOST, faults.size())));
        int more = faults.size() - MOST;
        return "The ticket cannot be used: "
                + all
                + (more > 0 ? "; and " + more + " more" : "")
                + ".";
    }
}
