package dev.lastcut.server.standin;

import java.util.function.Supplier;

/** A stand-in that is started beside the application, unless another service is named. */
public final class Stand implements AutoCloseable {
    private final String address;
    private final Service service;

    /** A service that listens until it is closed. */
    public interface Service extends AutoCloseable {
        /** Where it is reached, such as {@code http://127.0.0.1:8788}. */
        String address();

        @Override
        void close();
    }

    /**
     * @param named address of another service; blank for none
     * @param start starts the stand-in
     */
    public Stand(String named, Supplier<? extends Service> start) {
        service = named.isBlank() ? start.get() : null;
        address = service == null ? named.strip().replaceFirst("/+$", "") : service.address();
    }

    public String address() {
        return address;
    }

    @Override
    public void close() {
        if (service != null) {
            service.close();
        }
    }
}
