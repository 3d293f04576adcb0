package dev.lastcut.core.cut;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import java.io.IOException;
import java.io.InputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a cut holds.
 *
 * @param released false while a stop finding is open
 * @param files every file but the manifest itself
 * @param openStops ids of stop findings that nobody signed off
 */
public record Manifest(
        int version,
        String job,
        int number,
        String created,
        CapabilitySheet sheet,
        boolean released,
        List<Entry> files,
        List<Finding> findings,
        List<SignOff> signOffs,
        List<String> openStops) {
    public static final int VERSION = 1;

    /** One file: its size in bytes and its SHA-256 in hexadecimal. */
    public record Entry(String path, long bytes, String sha256, String purpose) {
        public static Entry of(OutputFile file) {
            return new Entry(
                    file.path(),
                    file.content().length,
                    Manifest.sha256(file.content()),
                    file.purpose());
        }
    }

    public static Manifest of(
            String job,
            int number,
            String created,
            CapabilitySheet sheet,
            List<OutputFile> files,
            CheckRun checks,
            List<SignOff> signOffs) {
        List<String> open = openStops(checks, signOffs);
        Set<String> found = checks.findings().stream().map(Finding::id).collect(Collectors.toSet());
        return new Manifest(
                VERSION,
                job,
                number,
                created,
                sheet,
                open.isEmpty(),
                files.stream().map(Entry::of).toList(),
                checks.findings(),
                signOffs.stream().filter(s -> found.contains(s.findingId())).toList(),
                open);
    }

    /** Stop findings that nobody signed off. */
    public static List<String> openStops(CheckRun checks, List<SignOff> signOffs) {
        Set<String> accepted =
                signOffs.stream().map(SignOff::findingId).collect(Collectors.toSet());
        return checks.findings().stream()
                .filter(f -> f.severity() == Severity.STOP && !accepted.contains(f.id()))
                .map(Finding::id)
                .toList();
    }

    /** SHA-256 (FIPS 180-4) in lower-case hexadecimal. */
    public static String sha256(byte[] content) {
        return HexFormat.of().formatHex(digest().digest(content));
    }

    /** SHA-256 of what is too large to be held at once. */
    public static String sha256(InputStream content) throws IOException {
        MessageDigest digest = digest();
        byte[] buffer = new byte[1 << 16];
        for (int n = content.read(buffer); n >= 0; n = content.read(buffer)) {
            digest.update(buffer, 0, n);
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }
}
