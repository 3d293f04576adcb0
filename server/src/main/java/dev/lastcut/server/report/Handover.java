package dev.lastcut.server.report;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.cut.ShopNote;
import dev.lastcut.core.report.CheckReport;
import dev.lastcut.core.report.HtmlReport;
import dev.lastcut.core.report.PdfReport;
import dev.lastcut.server.sheets.SheetJson;
import java.util.ArrayList;
import java.util.List;

/**
 * Everything that is handed over: the outputs, the report, the sheet as it was, the note for the
 * shop, and the manifest over all of them.
 */
public record Handover(Manifest manifest, List<OutputFile> files) {
    public static Handover of(
            CheckReport checked, CapabilitySheet sheet, int number, OutputSet outputs) {
        List<OutputFile> files = new ArrayList<>(outputs.files());
        ReportJson report =
                ReportJson.of(
                        checked.geometry(), sheet.id(), checked.run(), outputs, checked.signOffs());
        files.add(new OutputFile("report.json", Json.write(report), "all checks and findings"));
        files.add(
                new OutputFile("report.html", HtmlReport.write(checked), "the same with pictures"));
        files.add(new OutputFile("report.pdf", PdfReport.write(checked), "the same for printing"));
        files.add(
                new OutputFile(
                        "sheet.json",
                        Json.write(SheetJson.of(sheet)),
                        "the shop's capability sheet as it was"));
        Manifest manifest = manifest(checked, sheet, number, files);
        // The note lists the files, so it comes after them, and the manifest lists the note.
        files.add(
                new OutputFile(
                        "note.txt", ShopNote.write(manifest, checked.geometry()), "this note"));
        manifest = manifest(checked, sheet, number, files);
        files.add(
                new OutputFile(
                        "manifest.json",
                        Json.write(ManifestJson.of(manifest, checked.run())),
                        "every file with its hash"));
        return new Handover(manifest, List.copyOf(files));
    }

    private static Manifest manifest(
            CheckReport checked, CapabilitySheet sheet, int number, List<OutputFile> files) {
        return Manifest.of(
                checked.job(),
                number,
                checked.created(),
                sheet,
                files,
                checked.run(),
                checked.signOffs());
    }
}
