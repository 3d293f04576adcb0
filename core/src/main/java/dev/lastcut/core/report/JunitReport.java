package dev.lastcut.core.report;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Severity;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/**
 * The checks as the XML that build servers read: each check a test case. Stop findings that nobody
 * signed off make it fail, what could not be checked is skipped with its reason, all else that was
 * found is told as its output. The shape is common practice, no source.
 */
public final class JunitReport {
    private final CheckReport report;
    private final XMLStreamWriter xml;

    private JunitReport(CheckReport report, XMLStreamWriter xml) {
        this.report = report;
        this.xml = xml;
    }

    /** UTF-8. */
    public static byte[] write(CheckReport report) {
        StringWriter out = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newInstance().createXMLStreamWriter(out);
            new JunitReport(report, xml).document();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    private void document() throws XMLStreamException {
        List<CheckRun.Result> all = report.run().results();
        xml.writeStartDocument("UTF-8", "1.0");
        xml.writeCharacters("\n");
        xml.writeStartElement("testsuite");
        xml.writeAttribute("name", "board checks");
        xml.writeAttribute("tests", String.valueOf(all.size()));
        xml.writeAttribute(
                "failures", String.valueOf(all.stream().filter(r -> !open(r).isEmpty()).count()));
        xml.writeAttribute("errors", "0");
        xml.writeAttribute("skipped", String.valueOf(report.with(Outcome.Status.NOT_RUN).size()));
        xml.writeAttribute("timestamp", report.created().replaceFirst("Z$", ""));
        for (CheckRun.Result r : all) {
            xml.writeCharacters("\n  ");
            testCase(r);
        }
        xml.writeCharacters("\n");
        xml.writeEndElement();
        xml.writeCharacters("\n");
        xml.writeEndDocument();
    }

    private void testCase(CheckRun.Result r) throws XMLStreamException {
        List<Finding> open = open(r);
        xml.writeStartElement("testcase");
        xml.writeAttribute("classname", legal(report.job()).replace('.', ' '));
        xml.writeAttribute("name", r.rule());
        if (!open.isEmpty()) {
            xml.writeStartElement("failure");
            xml.writeAttribute("type", "stop");
            xml.writeAttribute("message", legal(open.size() + " open: " + open.get(0).message()));
            xml.writeCharacters(lines(open));
            xml.writeEndElement();
        } else if (r.outcome().status() == Outcome.Status.NOT_RUN) {
            xml.writeStartElement("skipped");
            xml.writeAttribute("message", legal(r.outcome().reason()));
            xml.writeEndElement();
        }
        List<Finding> others =
                r.outcome().findings().stream().filter(f -> !open.contains(f)).toList();
        if (!others.isEmpty()) {
            xml.writeStartElement("system-out");
            xml.writeCharacters(lines(others));
            xml.writeEndElement();
        }
        xml.writeEndElement();
    }

    private List<Finding> open(CheckRun.Result r) {
        return r.outcome().findings().stream()
                .filter(f -> f.severity() == Severity.STOP && report.signOff(f).isEmpty())
                .toList();
    }

    private String lines(List<Finding> findings) {
        return legal(
                findings.stream()
                        .map(
                                f ->
                                        f.severity().id()
                                                + report.signOff(f)
                                                        .map(s -> ", signed off by " + s.by())
                                                        .orElse("")
                                                + ", "
                                                + CheckReport.place(f)
                                                + ": "
                                                + f.message()
                                                + "\n")
                        .collect(Collectors.joining()));
    }

    /** Without the characters that XML 1.0 has no way to write. */
    private static String legal(String text) {
        return text.replaceAll(
                "[^\\t\\n\\r\\x20-\\uD7FF\\uE000-\\uFFFD\\x{10000}-\\x{10FFFF}]", "?");
    }
}
