package dev.lastcut.server.parts;

import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.server.catalogue.CounterTermsJson;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.outside.ExternalHttpException;
import dev.lastcut.server.outside.ExternalHttpService;
import dev.lastcut.server.report.Json;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;

/** Asks a parts counter over HTTP, and never waits longer than its limit. */
final class CounterClient {
    private final ExternalHttpService counter;

    CounterClient(String address, Duration limit) {
        this.counter = new ExternalHttpService("The counter", address, limit);
    }

    /** What went wrong, in a sentence. */
    static final class CounterException extends Exception {
        private static final long serialVersionUID = 1;

        CounterException(String sentence) {
            super(sentence);
        }
    }

    /** An answer as it comes; parts that cannot be read are left out. */
    private record Found(List<PartJson> parts) {}

    /**
     * @param query as in docs/counter.md
     * @param now what is noted as the time of the answer
     * @throws CounterException when there is no answer in time, or none that can be read
     */
    List<CataloguePart> search(Map<String, String> query, String now) throws CounterException {
        String asked =
                query.entrySet().stream()
                        .map(e -> encoded(e.getKey()) + "=" + encoded(e.getValue()))
                        .collect(Collectors.joining("&"));
        byte[] body;
        try {
            body = counter.get("/parts?" + asked);
        } catch (ExternalHttpException e) {
            throw new CounterException(e.getMessage());
        }
        try {
            List<PartJson> parts = Json.MAPPER.readValue(body, Found.class).parts();
            if (parts == null) {
                throw new CounterException("The counter's answer names no parts.");
            }
            List<CataloguePart> all = new ArrayList<>();
            for (PartJson p : parts) {
                all.add(p.toPart("").asOf(now));
            }
            return all;
        } catch (JacksonException | IllegalArgumentException | NullPointerException e) {
            throw new CounterException(
                    "The counter's answer cannot be read: it is not what docs/counter.md says.");
        }
    }

    /**
     * Under what terms it sells.
     *
     * @throws CounterException when there is no answer in time, or none that can be read
     */
    CounterTermsJson terms() throws CounterException {
        try {
            CounterTermsJson terms =
                    Json.MAPPER.readValue(counter.get("/terms"), CounterTermsJson.class);
            if (terms != null && terms.name() != null && terms.currency() != null) {
                return terms;
            }
        } catch (ExternalHttpException e) {
            throw new CounterException(e.getMessage());
        } catch (JacksonException e) {
            // Said below.
        }
        throw new CounterException(
                "The counter's terms cannot be read: they are not what docs/counter.md says.");
    }

    private static String encoded(String s) {
        return URLEncoder.encode(s, StandardCharsets.UTF_8);
    }
}
