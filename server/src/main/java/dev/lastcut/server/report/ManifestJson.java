package dev.lastcut.server.report;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.server.sheets.SheetJson;
import java.util.List;

/** {@code manifest.json}, version 1; documented in docs/report.md. */
public record ManifestJson(
        int version,
        String job,
        int number,
        String created,
        boolean released,
        List<String> openStops,
        SheetJson sheet,
        List<Manifest.Entry> files,
        List<ReportJson.FindingJson> findings,
        List<SignOff> signOffs) {
    public static ManifestJson of(Manifest m, CheckRun checks) {
        return new ManifestJson(
                m.version(),
                m.job(),
                m.number(),
                m.created(),
                m.released(),
                m.openStops(),
                SheetJson.of(m.sheet()),
                m.files(),
                ReportJson.findings(checks, m.signOffs()),
                m.signOffs());
    }
}
