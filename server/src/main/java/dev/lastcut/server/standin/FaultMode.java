package dev.lastcut.server.standin;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;

/** How a stand-in behaves, so that whoever asks it can be seen to cope. */
public final class FaultMode {
    /** Kinds of behaviour. */
    public enum Kind {
        /** Answers at once. */
        WELL("well"),
        /** Answers after a while. */
        SLOW("slow"),
        /** Refuses with status 503. */
        DOWN("down"),
        /** Answers with what is no answer. */
        RUBBISH("rubbish"),
        /** Closes the connection in the middle of what is sent to it. */
        CUTS_OFF("cuts-off"),
        /** Does what it is told, and closes the connection without a word. */
        MUTE("mute");

        private final String word;

        Kind(String word) {
            this.word = word;
        }
    }

    private final String name;
    private volatile Kind kind = Kind.WELL;
    private volatile long delayMs = 2_000;

    /** Requests until the one that meets the mood; 0 for every one. */
    private final AtomicInteger at = new AtomicInteger();

    /**
     * @param name of the stand-in, for its sentences
     */
    public FaultMode(String name) {
        this.name = name;
    }

    public boolean is(Kind other) {
        return kind == other;
    }

    /**
     * Tells it how to behave: {@code POST /mood?is=slow&delay_ms=2000}; with {@code at=3} only the
     * third request from now on meets it.
     */
    public LoopbackServer.Answer change(LoopbackServer.Asked asked) {
        if (asked.method().equals("POST")) {
            String delay = asked.query().getOrDefault("delay_ms", "2000");
            if (!delay.matches("\\d{1,5}")) {
                throw new IllegalArgumentException("delay_ms is a number of milliseconds");
            }
            String which = asked.query().getOrDefault("at", "0");
            if (!which.matches("\\d{1,4}")) {
                throw new IllegalArgumentException("at is the number of a request");
            }
            kind = of(asked.query().getOrDefault("is", ""));
            at.set(Integer.parseInt(which));
            delayMs = Long.parseLong(delay);
        }
        return LoopbackServer.Answer.json(200, Map.of("mood", kind.word, "delay_ms", delayMs));
    }

    private static Kind of(String word) {
        return Arrays.stream(Kind.values())
                .filter(k -> k.word.equals(word))
                .findFirst()
                .orElseThrow(
                        () ->
                                new IllegalArgumentException(
                                        "the mood is "
                                                + Arrays.stream(Kind.values())
                                                        .map(k -> k.word)
                                                        .collect(Collectors.joining(", "))
                                                + ", not '"
                                                + word
                                                + "'"));
    }

    /** Another handler as it answers in this mood. */
    public LoopbackServer.Handler over(LoopbackServer.Handler handler) {
        return asked -> {
            Kind now = met();
            switch (now) {
                case DOWN:
                    return LoopbackServer.Answer.fault(503, "the " + name + " is closed");
                case RUBBISH:
                    return new LoopbackServer.Answer(
                            200,
                            "application/json",
                            "<html>{\"parts\":[{\"number\":".getBytes(StandardCharsets.UTF_8));
                case SLOW:
                    pause();
                    break;
                case CUTS_OFF:
                    asked.body().readNBytes(1 << 12);
                    throw new LoopbackServer.HangUp();
                default:
                    break;
            }
            LoopbackServer.Answer answer = handler.handle(asked);
            if (now == Kind.MUTE) {
                throw new LoopbackServer.HangUp();
            }
            return answer;
        };
    }

    /** The mood that this request meets. */
    private Kind met() {
        Kind now = kind;
        if (at.get() == 0) {
            return now;
        }
        if (at.decrementAndGet() > 0) {
            return Kind.WELL;
        }
        kind = Kind.WELL;
        return now;
    }

    private void pause() {
        try {
            TimeUnit.MILLISECONDS.sleep(delayMs);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
