package dev.lastcut.core.formats.table;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/** Bytes of a text table to characters: by its mark, else UTF-8, else the western 8-bit set. */
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
            text = new String(content, Charset.forName("windows-1252"));
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }
}
