package dev.lastcut.server.api;

import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.work.WorkLimitException;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.jobs.StaleException;
import dev.lastcut.server.store.StorageFault;
import dev.lastcut.server.work.Mistake;
import java.util.concurrent.CancellationException;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import org.springframework.web.util.HtmlUtils;

/**
 * Turns every exception into one shape, the problem details of RFC 9457: {@code detail} is a
 * sentence for people, {@code code} a word for programs.
 */
@RestControllerAdvice
class ErrorAdvice extends ResponseEntityExceptionHandler {
    /** A problem with its sentence and its word for programs. */
    static ProblemDetail problem(HttpStatusCode status, String code, String sentence) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, sentence);
        problem.setProperty("code", code);
        return problem;
    }

    @ExceptionHandler(NotFoundException.class)
    ProblemDetail notFound(NotFoundException e) {
        return problem(HttpStatus.NOT_FOUND, "not-found", e.getMessage());
    }

    @ExceptionHandler(RefusedException.class)
    ProblemDetail refused(RefusedException e) {
        return problem(HttpStatus.CONFLICT, "refused", e.getMessage());
    }

    /** With the version that holds now, and what changed since the one a choice was made on. */
    @ExceptionHandler(StaleException.class)
    ProblemDetail stale(StaleException e) {
        ProblemDetail problem = problem(HttpStatus.PRECONDITION_FAILED, "stale", e.getMessage());
        problem.setProperty("version", e.version());
        problem.setProperty("meanwhile", e.meanwhile());
        return problem;
    }

    @ExceptionHandler(UnusablePackException.class)
    ProblemDetail unusable(UnusablePackException e) {
        return problem(HttpStatus.UNPROCESSABLE_CONTENT, "unusable-pack", e.getMessage());
    }

    @ExceptionHandler(WorkLimitException.class)
    ProblemDetail tooMuch(WorkLimitException e) {
        return problem(HttpStatus.UNPROCESSABLE_CONTENT, "too-much", e.getMessage());
    }

    @ExceptionHandler(BodyLimit.TooLargeException.class)
    ProblemDetail tooLarge(BodyLimit.TooLargeException e) {
        return problem(HttpStatus.CONTENT_TOO_LARGE, "too-large", e.getMessage());
    }

    /** The disk is full, or the storage cannot be written: whose fault that is, people can tell. */
    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ProblemDetail storage(RuntimeException e) {
        return StorageFault.sentence(e)
                .map(s -> problem(HttpStatus.INSUFFICIENT_STORAGE, "storage", s))
                .orElseGet(() -> mistake(e));
    }

    @ExceptionHandler(CancellationException.class)
    ProblemDetail cancelled(CancellationException e) {
        return problem(
                HttpStatus.CONFLICT, "cancelled", "This was cancelled. Nothing was changed.");
    }

    @ExceptionHandler(MultipartException.class)
    ProblemDetail broken(MultipartException e) {
        return problem(
                HttpStatus.BAD_REQUEST,
                "malformed",
                "The upload broke off or is no upload of files: send them again.");
    }

    /** What our own code says of an argument is about the request; all else is our mistake. */
    @ExceptionHandler(Exception.class)
    ProblemDetail mistake(Exception e) {
        StackTraceElement[] stack = e.getStackTrace();
        boolean said =
                e instanceof IllegalArgumentException
                        && stack.length > 0
                        && stack[0].getClassName().startsWith("dev.lastcut.");
        return said
                ? problem(
                        HttpStatus.BAD_REQUEST,
                        "malformed",
                        "The request cannot be understood: " + e.getMessage())
                : problem(HttpStatus.INTERNAL_SERVER_ERROR, "mistake", Mistake.logged(e));
    }

    @Override
    protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        return answer(
                headers,
                problem(
                        HttpStatus.CONTENT_TOO_LARGE,
                        "too-large",
                        "The files are larger than 64 MB each or 128 MB together: bring in one"
                                + " board's files only."));
    }

    @Override
    protected ResponseEntity<Object> handleNoResourceFoundException(
            NoResourceFoundException e,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        String sentence = "There is nothing at /" + e.getResourcePath() + ".";
        String accept = request.getHeader(HttpHeaders.ACCEPT);
        boolean page = accept != null && accept.contains(MediaType.TEXT_HTML_VALUE);
        return page && !e.getResourcePath().startsWith("api/")
                ? page(sentence)
                : answer(headers, problem(status, "not-found", sentence));
    }

    /** For somebody who followed a link or typed an address. */
    private static ResponseEntity<Object> page(String sentence) {
        return ResponseEntity.status(HttpStatus.NOT_FOUND)
                .contentType(MediaType.TEXT_HTML)
                .body(
                        """
                        <!doctype html><html lang="en"><meta charset="utf-8"><title>Last Cut</title>
                        <body style="font: 16px sans-serif; margin: 4em; max-width: 40em">
                        <h1>Not found</h1><p>%s</p><p><a href="/">Go to your jobs</a></p>
                        """
                                .formatted(HtmlUtils.htmlEscape(sentence)));
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof BodyLimit.TooLargeException large) {
                return answer(headers, tooLarge(large));
            }
        }
        return answer(
                headers,
                problem(status, "malformed", "The request's JSON cannot be read: " + reason(e)));
    }

    @Override
    protected ResponseEntity<Object> handleTypeMismatch(
            TypeMismatchException e,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        return answer(
                headers,
                problem(
                        status,
                        "malformed",
                        "'" + e.getValue() + "' is not a " + kind(e.getRequiredType()) + "."));
    }

    private static String kind(Class<?> type) {
        if (type == null) {
            return "value of the right kind";
        }
        boolean number =
                type.isPrimitive() && type != boolean.class || Number.class.isAssignableFrom(type);
        return number ? "number" : "value of the right kind";
    }

    /** Where and what, without the names of our classes that the library adds. */
    private static String reason(Exception e) {
        Throwable cause = e;
        while (cause.getCause() != null && cause.getCause() != cause) {
            cause = cause.getCause();
        }
        String text = String.valueOf(cause.getMessage()).split("\n")[0];
        boolean named = text.contains("dev.lastcut") || text.contains("java.");
        return named ? "a field has another name or kind than expected." : text;
    }

    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e,
            Object body,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        ResponseEntity<Object> answer =
                super.handleExceptionInternal(e, body, headers, status, request);
        if (answer != null && answer.getBody() instanceof ProblemDetail problem) {
            problem.setProperty("code", status.is4xxClientError() ? "malformed" : "mistake");
        }
        return answer;
    }

    private static ResponseEntity<Object> answer(HttpHeaders headers, ProblemDetail problem) {
        return ResponseEntity.status(problem.getStatus()).headers(headers).body(problem);
    }
}
