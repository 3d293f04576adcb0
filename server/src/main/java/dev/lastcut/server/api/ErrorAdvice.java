package dev.lastcut.server.api;

import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.jobs.StaleException;
import org.springframework.http.HttpStatus;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;

/** Turns exceptions into the one shape of errors. */
@RestControllerAdvice
class ErrorAdvice {
    @ExceptionHandler(NotFoundException.class)
    @ResponseStatus(HttpStatus.NOT_FOUND)
    ApiError notFound(NotFoundException e) {
        return new ApiError("not-found", e.getMessage());
    }

    @ExceptionHandler(RefusedException.class)
    @ResponseStatus(HttpStatus.CONFLICT)
    ApiError refused(RefusedException e) {
        return new ApiError("refused", e.getMessage());
    }

    /** The version that holds now, and what changed since the one the choice was made on. */
    record StaleError(String code, String message, int version, String meanwhile) {}

    @ExceptionHandler(StaleException.class)
    @ResponseStatus(HttpStatus.PRECONDITION_FAILED)
    StaleError stale(StaleException e) {
        return new StaleError("stale", e.getMessage(), e.version(), e.meanwhile());
    }

    @ExceptionHandler(UnusablePackException.class)
    @ResponseStatus(HttpStatus.UNPROCESSABLE_CONTENT)
    ApiError unusable(UnusablePackException e) {
        return new ApiError("unusable-pack", e.getMessage());
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
    ApiError tooLarge(MaxUploadSizeExceededException e) {
        return new ApiError(
                "too-large",
                "The files are larger than 64 MB each: bring in one board's files only.");
    }

    @ExceptionHandler({
        HttpMessageNotReadableException.class,
        MethodArgumentTypeMismatchException.class,
        IllegalArgumentException.class
    })
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    ApiError malformed(Exception e) {
        return new ApiError("malformed", "The request cannot be understood: " + e.getMessage());
    }
}
