package org.evenhand.kit;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Reads of a body no more than its operation can use, and waits for it no longer than somebody in the orchard would need. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
public class BodyLimits extends OncePerRequestFilter implements HandlerInterceptor, WebMvcConfigurer {
    /** Bytes that any JSON of ours fits into many times. */
    public static final long USUAL = 1_000_000;

    private static final String MOST = BodyLimits.class.getName();
    /** So long nobody is hurried; then so many bytes a second are the least. A phone at the end of its network sends more. */
    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private static final long LEAST_BYTES_A_SECOND = 2_000;

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    /** Known before the body is read: how large it may be. */
    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws BodyRefused {
        BodyUpTo own = handler instanceof HandlerMethod method ? method.getMethodAnnotation(BodyUpTo.class) : null;
        long most = own == null ? USUAL : own.value();
        request.setAttribute(MOST, most);
        if (request.getContentLengthLong() > most) {
            throw BodyRefused.tooLarge(most);
        }
        return true;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(new Bounded(request), response);
    }

    private static final class Bounded extends HttpServletRequestWrapper {
        private Counting body;

        Bounded(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (body == null) {
                body = new Counting(super.getInputStream(), this);
            }
            return body;
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }

    private static final class Counting extends ServletInputStream {
        private final ServletInputStream body;
        private final HttpServletRequest request;
        private final long began = System.nanoTime();
        private long bytes;

        Counting(ServletInputStream body, HttpServletRequest request) {
            this.body = body;
            this.request = request;
        }

        @Override
        public int read() throws IOException {
            int read = body.read();
            count(read < 0 ? 0 : 1);
            return read;
        }

        @Override
        public int read(byte[] into, int at, int most) throws IOException {
            int read = body.read(into, at, most);
            count(Math.max(0, read));
            return read;
        }

        private void count(int read) throws BodyRefused {
            bytes += read;
            long most = request.getAttribute(MOST) instanceof Long own ? own : USUAL;
            if (bytes > most) {
                throw BodyRefused.tooLarge(most);
            }
            Duration passed = Duration.ofNanos(System.nanoTime() - began).minus(PATIENCE);
            if (passed.toSeconds() * LEAST_BYTES_A_SECOND > bytes) {
                throw BodyRefused.tooSlow();
            }
        }

        @Override
        public boolean isFinished() {
            return body.isFinished();
        }

        @Override
        public boolean isReady() {
            return body.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            body.setReadListener(listener);
        }
    }
}
