package dev.lastcut.server.api;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * No request is larger than its route has use for. What says that it is larger is refused before
 * any of it is read; what does not say how large it is, is read up to the limit and no further.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyLimit extends OncePerRequestFilter {
    private static final long MB = 1L << 20;

    /** Choices, tickets, sheets, programs that are pasted, photographs. */
    private static final long USUAL = 48 * MB;

    /** Files of a pack; each of them has a limit of its own. */
    private static final long UPLOAD = 129 * MB;

    private static final long CUT = 512 * MB;
    private static final long JOB = 2048 * MB;

    private static long most(HttpServletRequest request) {
        String path = request.getRequestURI();
        String type = request.getContentType();
        if (path.equals("/api/whole")) {
            return JOB;
        }
        if (path.equals("/api/verify")) {
            return CUT;
        }
        return type != null && type.startsWith("multipart/") ? UPLOAD : USUAL;
    }

    /** More came than is read. */
    static final class TooLargeException extends IOException {
        private static final long serialVersionUID = 1;

        TooLargeException(long most) {
            super(sentence(most));
        }
    }

    private static String sentence(long most) {
        return "This is larger than the "
                + most / MB
                + " MB that are read here. Nothing was changed.";
    }

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long most = most(request);
        if (request.getContentLengthLong() > most) {
            response.setHeader("Connection", "close");
            Problems.write(response, HttpStatus.CONTENT_TOO_LARGE, "too-large", sentence(most));
            // Before the rest is waited for.
            response.flushBuffer();
            return;
        }
        chain.doFilter(new Limited(request, most), response);
    }

    private static final class Limited extends HttpServletRequestWrapper {
        private final long most;
        private ServletInputStream counted;

        Limited(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (counted == null) {
                counted = new Counted(super.getInputStream(), most);
            }
            return counted;
        }
    }

    private static final class Counted extends ServletInputStream {
        private final ServletInputStream in;
        private final long most;
        private long read;

        Counted(ServletInputStream in, long most) {
            this.in = in;
            this.most = most;
        }

        private int count(int n) throws IOException {
            read += Math.max(0, n);
            if (read > most) {
                throw new TooLargeException(most);
            }
            return n;
        }

        @Override
        public int read() throws IOException {
            int b = in.read();
            count(b < 0 ? 0 : 1);
            return b;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            return count(in.read(into, from, length));
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
