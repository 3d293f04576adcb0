package dev.lastcut.server.api;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps other sites out. The server listens on loopback, but any page in the same browser can send
 * requests there: by its own name ({@code Origin}), or by a name of its own that it points at
 * loopback ({@code Host}). Both are refused, and so are links and pictures of other sites that lead
 * to the API ({@code Sec-Fetch-Site}, as browsers send it). Answers say that they are to be neither
 * framed nor guessed at, and that pages load nothing from elsewhere.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SameOrigin extends OncePerRequestFilter {
    private static final String POLICY =
            "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline';"
                    + " font-src 'self'; connect-src 'self'; worker-src 'self' blob:;"
                    + " frame-ancestors 'none'; base-uri 'none'; form-action 'self'; object-src 'none'";

    private final Set<String> own;

    /**
     * @param further names beside loopback's that the server is reached by, parted by commas
     */
    SameOrigin(@Value("${lastcut.hosts:}") String further) {
        Set<String> all = new HashSet<>(Set.of("127.0.0.1", "localhost", "[::1]"));
        for (String h : further.split(",")) {
            all.add(h.strip().toLowerCase(Locale.ROOT));
        }
        all.remove("");
        own = Set.copyOf(all);
    }

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("X-Frame-Options", "DENY");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        String host = request.getHeader("Host");
        if (host == null || !own.contains(name(host))) {
            refuse(response, "This server answers to its own address only, not to '" + host + "'.");
            return;
        }
        String origin = request.getHeader("Origin");
        if (origin != null && !isOwn(origin, host)) {
            refuse(response, "Requests from another site ('" + origin + "') are refused.");
            return;
        }
        String from = request.getHeader("Sec-Fetch-Site");
        boolean foreign = "cross-site".equals(from) || "same-site".equals(from);
        if (foreign && request.getRequestURI().startsWith("/api/")) {
            refuse(response, "Requests from a page of another site are refused.");
            return;
        }
        chain.doFilter(request, response);
    }

    /** A host without its port. */
    private static String name(String host) {
        return host.toLowerCase(Locale.ROOT).replaceFirst(":\\d+$", "");
    }

    private static boolean isOwn(String origin, String host) {
        try {
            return host.equalsIgnoreCase(URI.create(origin).getRawAuthority());
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static void refuse(HttpServletResponse response, String why) throws IOException {
        Problems.write(response, HttpStatus.FORBIDDEN, "refused", why);
    }
}
