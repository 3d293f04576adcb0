package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.formats.ProblemLog;

/** Reads a Gerber file whole. Bad content is reported and skipped, never thrown. */
public final class GerberReader {
    private GerberReader() {}

    /**
     * @param file the path to name in problems
     * @param content the file's bytes; the caller bounds their number
     */
    public static GerberFile read(String file, byte[] content) {
        ProblemLog log = new ProblemLog(file);
        GerberInterpreter interpreter = new GerberInterpreter(log);
        new CommandLexer(content, log).run(interpreter);
        return interpreter.finish();
    }
}
