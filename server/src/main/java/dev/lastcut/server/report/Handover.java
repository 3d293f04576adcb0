package dev.lastcut.server.report;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.cut.ShopNote;
import dev.lastcut.core.cut.SignOff;
import java.util.ArrayList;
import java.util.List;

/**
 * Everything that is handed over: the outputs, the report, the note for the shop, and the manifest
 * over all of them.
 */
public record Handover(Manifest manifest, List<OutputFile> files) {
    public static Handover of(
            String job,
            int number,
            String created,
            CapabilitySheet sheet,
            BoardGeometry geometry,
            CheckRun checks,
            OutputSet outputs,
            List<SignOff> signOffs) {
        List<OutputFile> files = new ArrayList<>(outputs.files());
        ReportJson report = ReportJson.of(geometry, sheet.id(), checks, outputs, signOffs);
        files.add(new OutputFile("report.json", Json.write(report), "all checks and findings"));
        Manifest manifest = Manifest.of(job, number, created, sheet, files, checks, signOffs);
        // The note lists the files, so it comes after them, and the manifest lists the note.
        files.add(new OutputFile("note.txt", ShopNote.write(manifest, geometry), "this note"));
        manifest = Manifest.of(job, number, created, sheet, files, checks, signOffs);
        files.add(
                new OutputFile(
                        "manifest.json",
                        Json.write(ManifestJson.of(manifest, checks)),
                        "every file with its hash"));
        return new Handover(manifest, List.copyOf(files));
    }
}
