package dev.lastcut.server.orders;

/** Where the order desk is reached. */
public interface DeskStand {
    /** Such as {@code http://127.0.0.1:8789}. */
    String address();
}
