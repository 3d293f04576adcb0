package dev.lastcut.server.api;

import dev.lastcut.core.intake.FilePicture;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.locationtech.jts.geom.Envelope;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Small pictures of single files, to be recognised by eye where it is in doubt what they are. */
@RestController
@WithoutBoard
@RequestMapping("/api/jobs/{id}/picture")
class PictureController {
    private static final int MOST_PIXELS = 1200;
    private static final int PAPER = 0xfbf8f1;
    private static final int INK = 0x46403a;

    private final JobService jobs;

    PictureController(JobService jobs) {
        this.jobs = jobs;
    }

    /**
     * @param path the file to show
     * @param beside files it is compared with: all are shown to the same scale and place
     */
    @GetMapping(produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> picture(
            @PathVariable long id,
            @RequestParam String path,
            @RequestParam(required = false) List<String> beside,
            @RequestParam(defaultValue = "160") int width,
            @RequestParam(defaultValue = "110") int height)
            throws IOException {
        FilePicture picture =
                FilePicture.of(jobs.content(id, path))
                        .orElseThrow(() -> new NotFoundException(path + " shows nothing."));
        Envelope box = picture.extent();
        List<String> others = beside == null ? new ArrayList<>() : beside;
        for (String other : others) {
            FilePicture.of(jobs.content(id, other)).ifPresent(p -> box.expandToInclude(p.extent()));
        }
        int w = Math.max(16, Math.min(MOST_PIXELS, width));
        int h = Math.max(16, Math.min(MOST_PIXELS, height));
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate())
                .body(png(picture.darkness(box, w, h), w, h));
    }

    /** What a job is, small: its first copper. */
    @GetMapping(path = "/face", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> face(@PathVariable long id) throws IOException {
        String path =
                jobs.job(id)
                        .face()
                        .orElseThrow(() -> new NotFoundException("The board was not read yet."));
        return picture(id, path, null, 132, 92);
    }

    private static byte[] png(float[] dark, int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < dark.length; i++) {
            image.setRGB(i % width, i / width, between(dark[i]));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static int between(float dark) {
        int rgb = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            int from = (PAPER >> shift) & 0xff;
            int to = (INK >> shift) & 0xff;
            rgb |= Math.round(from + (to - from) * dark) << shift;
        }
        return rgb;
    }
}
