package dev.lastcut.server.api;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A POST that asks about a job's board and changes nothing, as what it asks is too long for an
 * address. It is answered as a GET is: computed as a task that can be followed and cancelled.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
@interface OnlyAsks {}
