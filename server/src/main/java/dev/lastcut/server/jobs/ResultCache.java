package dev.lastcut.server.jobs;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** The latest results by what they were made of, so that the same question is computed once. */
final class ResultCache<T> {
    private final Map<Object, T> results;

    ResultCache(int most) {
        results =
                Collections.synchronizedMap(
                        new LinkedHashMap<>(16, 0.75f, true) {
                            @Override
                            protected boolean removeEldestEntry(Map.Entry<Object, T> eldest) {
                                return size() > most;
                            }
                        });
    }

    /** How a result is made. */
    interface Make<T, E extends Exception> {
        T make() throws E;
    }

    Optional<T> peek(Object key) {
        return Optional.ofNullable(results.get(key));
    }

    /** One at a time: two who ask for the same get one computation. */
    synchronized <E extends Exception> T get(Object key, Make<T, E> make) throws E {
        T known = results.get(key);
        if (known == null) {
            known = make.make();
            results.put(key, known);
        }
        return known;
    }

    void put(Object key, T value) {
        results.put(key, value);
    }
}
