package dev.lastcut.core.formats.table;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/**
 * Bytes of a text table to characters: by its mark, else UTF-8, else line by line UTF-8 or the
 * western 8-bit set.
 */
final class Texts {
    private Texts() {}

    static String decode(byte[] content) {
        if (content.length >= 2 && content[0] == (byte) 0xff && content[1] == (byte) 0xfe) {
            return new String(content, 2, content.length - 2, StandardCharsets.UTF_16LE);
        }
        if (content.length >= 2 && content[0] == (byte) 0xfe && content[1] == (byte) 0xff) {
            return new String(content, 2, content.length - 2, StandardCharsets.UTF_16BE);
        }
        String text;
        try {
            text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(content)).toString();
        } catch (CharacterCodingException e) {
            text = byLine(content);
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    /** Lines put together from files in two encodings: each is what it can be. */
    private static String byLine(byte[] content) {
        Charset western = Charset.forName("windows-1252");
        StringBuilder all = new StringBuilder();
        int from = 0;
        for (int i = 0; i < content.length; i++) {
            if (content[i] == '\n' || i == content.length - 1) {
                ByteBuffer line = ByteBuffer.wrap(content, from, i + 1 - from);
                try {
                    all.append(StandardCharsets.UTF_8.newDecoder().decode(line));
                } catch (CharacterCodingException e) {
                    all.append(new String(content, from, i + 1 - from, western));
                }
                from = i + 1;
            }
        }
        return all.toString();
    }
}
