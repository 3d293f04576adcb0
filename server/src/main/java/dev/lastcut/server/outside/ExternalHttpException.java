package dev.lastcut.server.outside;

/** Why a service outside gave no answer that can be used, in a sentence. */
public final class ExternalHttpException extends Exception {
    private static final long serialVersionUID = 1;

    /** What is known of what was asked. */
    public enum Kind {
        /** It never got there: the service is not there at all. */
        ABSENT,
        /** It may have got there, or not: there was no whole answer. */
        LOST,
        /** It got there, and was refused. */
        REFUSED
    }

    private final Kind kind;
    private final int status;

    ExternalHttpException(Kind kind, int status, String sentence) {
        super(sentence);
        this.kind = kind;
        this.status = status;
    }

    public Kind kind() {
        return kind;
    }

    /** The HTTP status it was refused with; 0 where there was no answer. */
    public int status() {
        return status;
    }
}
