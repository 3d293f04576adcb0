package dev.lastcut.server.report;

import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.cut.Parcels;
import dev.lastcut.core.cut.ShopNote;
import dev.lastcut.core.cut.Stamp;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.report.CheckReport;
import dev.lastcut.core.report.HtmlReport;
import dev.lastcut.core.report.JunitReport;
import dev.lastcut.core.report.PdfReport;
import dev.lastcut.core.ticket.CutStamp;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.ticket.Tickets;
import java.util.ArrayList;
import java.util.List;

/**
 * Everything that is handed over: the outputs, the report, the sheet as it was, the note for the
 * shop, and the manifest over all of them.
 */
public record Handover(Manifest manifest, List<OutputFile> files) {
    /**
     * @param product with a ticket that says all of {@link CutStamp}
     */
    public static Handover of(JobPipeline.Product product) {
        CutStamp made = product.ticket().made();
        String created = made.at().orElseThrow();
        CheckReport checked = Reports.of(product, made.job().orElseThrow(), created);
        List<OutputFile> files = new ArrayList<>(product.outputs().files());
        ReportJson report = ReportJson.of(product, checked.signOffs());
        files.add(new OutputFile("report.json", Json.write(report), "all checks and findings"));
        files.add(
                new OutputFile("report.html", HtmlReport.write(checked), "the same with pictures"));
        files.add(new OutputFile("report.pdf", PdfReport.write(checked), "the same for printing"));
        files.add(
                new OutputFile(
                        "report.junit.xml",
                        JunitReport.write(checked),
                        "the same for build servers"));
        files.add(
                new OutputFile(
                        "sheet.json",
                        Json.write(SheetJson.of(product.sheet())),
                        "the shop's capability sheet as it was"));
        files.add(
                new OutputFile(
                        "ticket.json",
                        Tickets.write(product.ticket()),
                        "everything that was chosen: makes the same again"));
        String title = made.title();
        files.replaceAll(f -> Stamp.on(f, created, title));
        files.addAll(Parcels.of(product.sheet().parcels(), files, created, title));
        Manifest manifest = manifest(checked, product, files);
        // The note lists the files, so it comes after them, and the manifest lists the note.
        files.add(
                new OutputFile(
                        "note.txt", ShopNote.write(manifest, checked.geometry()), "this note"));
        manifest = manifest(checked, product, files);
        files.add(
                new OutputFile(
                        "manifest.json",
                        Json.write(ManifestJson.of(manifest, checked.run())),
                        "every file with its hash"));
        return new Handover(manifest, List.copyOf(files));
    }

    private static Manifest manifest(
            CheckReport checked, JobPipeline.Product product, List<OutputFile> files) {
        return Manifest.of(
                checked.job(),
                product.ticket().made().cut(),
                checked.created(),
                product.sheet(),
                files,
                checked.run(),
                checked.signOffs());
    }
}
