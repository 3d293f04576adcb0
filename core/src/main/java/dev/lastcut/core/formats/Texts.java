package dev.lastcut.core.formats;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.mozilla.universalchardet.UniversalDetector;

/**
 * Bytes of a text table to characters: by its mark, else by its zeros UTF-16, else UTF-8, else one
 * of the eastern sets of two bytes, else line by line UTF-8 or a western or central European set.
 */
public final class Texts {
    private static final Charset WESTERN = Charset.forName("windows-1252");
    private static final Charset CENTRAL = Charset.forName("windows-1250");
    private static final Charset JAPANESE = Charset.forName("windows-31j");
    private static final Charset CHINESE = Charset.forName("GB18030");

    /** Letters of Polish, Czech and Hungarian that the western set has other signs for. */
    private static final String CENTRAL_LETTERS = "ąćęłńśźżĄĆĘŁŃŚŹŻčďěňřšťůžČĎĚŇŘŠŤŮŽőűŐŰăşţĂŞŢ";

    private static final Charset COMMON_CHINESE = Charset.forName("GB2312");

    private static final int ENOUGH = 4_000;

    private Texts() {}

    /** The text of a file; a mark at its beginning is left out. */
    public static String decode(byte[] content) {
        if (starts(content, 0xff, 0xfe)) {
            return new String(content, 2, content.length - 2, StandardCharsets.UTF_16LE);
        }
        if (starts(content, 0xfe, 0xff)) {
            return new String(content, 2, content.length - 2, StandardCharsets.UTF_16BE);
        }
        Charset wide = unmarked(content);
        if (wide != null) {
            return new String(content, wide);
        }
        String text = strict(content, 0, content.length, StandardCharsets.UTF_8);
        if (text == null) {
            text = eastern(content);
        }
        if (text == null) {
            text = byLine(content);
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    /** Whether it is text of two bytes a character, so that its zeros are no sign of a binary. */
    public static boolean isWide(byte[] content) {
        return starts(content, 0xff, 0xfe)
                || starts(content, 0xfe, 0xff)
                || unmarked(content) != null;
    }

    private static boolean starts(byte[] content, int first, int second) {
        return content.length >= 2 && (content[0] & 0xff) == first && (content[1] & 0xff) == second;
    }

    /** UTF-16 without a mark has a zero in every other place, as most of a table is ASCII. */
    private static Charset unmarked(byte[] content) {
        int n = Math.min(content.length & ~1, ENOUGH);
        int even = 0;
        int odd = 0;
        for (int i = 0; i < n; i += 2) {
            even += content[i] == 0 ? 1 : 0;
            odd += content[i + 1] == 0 ? 1 : 0;
        }
        int most = n / 2;
        if (most < 4 || Math.max(even, odd) < 0.6 * most || Math.min(even, odd) > 0.02 * most) {
            return null;
        }
        return odd > even ? StandardCharsets.UTF_16LE : StandardCharsets.UTF_16BE;
    }

    private static String strict(byte[] content, int from, int length, Charset charset) {
        try {
            return charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(content, from, length))
                    .toString();
        } catch (CharacterCodingException e) {
            return null;
        }
    }

    /**
     * Japanese or Chinese text, where the bytes are such from end to end and most of what is no
     * ASCII comes out as their characters; null for others.
     */
    private static String eastern(byte[] content) {
        UniversalDetector detector = new UniversalDetector();
        detector.handleData(content);
        detector.dataEnd();
        String found = detector.getDetectedCharset();
        String name = found == null ? "" : found.toUpperCase(Locale.ROOT);
        List<Charset> order =
                name.startsWith("GB") || name.startsWith("BIG5")
                        ? List.of(CHINESE, JAPANESE)
                        : List.of(JAPANESE, CHINESE);
        String best = null;
        double most = 0.9;
        for (Charset c : order) {
            String text = strict(content, 0, content.length, c);
            double share = text == null ? 0 : easternShare(text, c);
            if (share > most) {
                best = text;
                most = share;
            }
        }
        return best;
    }

    /** The share of characters beyond ASCII that are of the language and stand next to another. */
    private static double easternShare(String text, Charset charset) {
        int all = 0;
        int good = 0;
        int pairs = 0;
        boolean before = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean own = false;
            if (c > 0x7f) {
                all++;
                own = isEastern(c, charset);
                good += own ? 1 : 0;
                pairs += own && before ? 1 : 0;
            }
            before = own;
        }
        // Accents of western words stand alone; words of these languages are of two or more.
        boolean words = pairs >= 0.25 * good;
        return all == 0 || !words ? 0 : (double) good / all;
    }

    private static boolean isEastern(char c, Charset charset) {
        boolean kana = c >= 0x3040 && c <= 0x30ff;
        // What western letters come out as in Chinese are rare signs, beyond the common set.
        boolean common =
                c >= 0x4e00
                        && c <= 0x9fa5
                        && (charset.equals(JAPANESE) || COMMON_CHINESE.newEncoder().canEncode(c));
        boolean form = c >= 0x3000 && c <= 0x303f || c >= 0xff01 && c <= 0xff5e;
        // Half-width kana are what western letters come out as: they tell nothing.
        boolean greek =
                c >= 0x391 && c <= 0x3c9 || c == 0xb5 || c == 0x2126 || c == 0xb1 || c == 0xb0;
        return common || form || greek || kana && charset.equals(JAPANESE);
    }

    /** Lines put together from files in two encodings: each is what it can be. */
    private static String byLine(byte[] content) {
        Charset eight = eightBits(content);
        StringBuilder all = new StringBuilder();
        int from = 0;
        for (int i = 0; i < content.length; i++) {
            if (content[i] == '\n' || i == content.length - 1) {
                String line = strict(content, from, i + 1 - from, StandardCharsets.UTF_8);
                all.append(line == null ? new String(content, from, i + 1 - from, eight) : line);
                from = i + 1;
            }
        }
        return all.toString();
    }

    /** Western, unless it gives more letters of central European words when read as that. */
    private static Charset eightBits(byte[] content) {
        byte[] some =
                content.length > 200_000 ? java.util.Arrays.copyOf(content, 200_000) : content;
        return wordsOf(new String(some, CENTRAL), true) > wordsOf(new String(some, WESTERN), false)
                ? CENTRAL
                : WESTERN;
    }

    /** Letters beyond ASCII that stand in words; for signs amid words it loses. */
    private static double wordsOf(String text, boolean central) {
        double sum = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c <= 0x7f) {
                continue;
            }
            boolean beside =
                    i > 0 && Character.isLetter(text.charAt(i - 1))
                            || i + 1 < text.length() && Character.isLetter(text.charAt(i + 1));
            if (Character.isLetter(c)) {
                boolean own = CENTRAL_LETTERS.indexOf(c) >= 0;
                sum += !central || !own ? 1 : 1.1;
                // Rare in western words, and what central letters come out as.
                sum -= "æœêõûžšŽŠ".indexOf(c) >= 0 && !central ? 0.15 : 0;
                sum -= central && "ăţŕĺ".indexOf(c) >= 0 ? 0.3 : 0;
            } else if (beside && "µ°Ωω±".indexOf(c) < 0) {
                sum -= 1;
            }
        }
        return sum;
    }
}
