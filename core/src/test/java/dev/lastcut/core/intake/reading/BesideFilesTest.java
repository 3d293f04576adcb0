package dev.lastcut.core.intake.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** First bytes after the published formats, from memory. */
class BesideFilesTest {
    private static String what(String path, String content) {
        byte[] bytes = content.getBytes(StandardCharsets.ISO_8859_1);
        return BesideFiles.what(path, bytes, content).orElse("");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            ignoreLeadingAndTrailingWhitespace = true,
            value = {
                "a.pdf | %PDF-1.7 | a page to read (PDF)",
                "a | GIF89a | a picture (GIF)",
                "logo.bmp | BM6 | a picture (BMP)",
                "logo.BMP | BM6 | a picture (BMP)",
                "board.txt | BM6 is our board | ''",
                "a.rtf | {\\rtf1 | a page to read (RTF)",
                "a.step | ISO-10303-21; | a solid model (STEP)",
                "a.stl | solid cube | a solid model (STL)",
                "a.html | <!DOCTYPE html><p> | a page to read (HTML)",
                "a.xml | <?xml version='1.0'?><project/> | a file of a layout program (XML)",
                "a.svg | <?xml version='1.0'?><svg/> | ''",
                "a.x | (board_file (version 3)) | a file of a layout program",
                "a.x | (3 of 4) | ''",
                "a.gbr | G04 hello* | ''"
            })
    void firstBytesTell(String path, String content, String what) {
        assertThat(what(path, content)).isEqualTo(what);
    }

    @Test
    void picturesByTheirFirstBytes() {
        assertThat(what("a", "\u0089PNG\r\n")).isEqualTo("a picture (PNG)");
        assertThat(what("a", "\u00ff\u00d8\u00ff\u00e0")).isEqualTo("a picture (JPEG)");
        assertThat(what("a", "")).isEmpty();
        // Only what comes first counts.
        assertThat(what("a.gbr", "G04 %PDF-*")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "__MACOSX/._a.gbr, true",
        "x/__MACOSX/b, true",
        ".DS_Store, true",
        "sub/.hidden, true",
        "Thumbs.db, true",
        "sub/desktop.ini, true",
        "a.gbr, false",
        "sub.dir/a.gbr, false",
        "mythumbs.db.gbr, false"
    })
    void whatOperatingSystemsLeave(String path, boolean left) {
        assertThat(BesideFiles.isLeftBehind(path)).isEqualTo(left);
    }
}
