package org.evenhand.kit;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatusCode;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * How often each orchard was written to, here or elsewhere, since the program started. Whoever keeps what he reckoned from an orchard's records notes the
 * number before he reads them, and uses what he kept only while the number is the same.
 */
@Component
public class OrchardChanges implements HandlerInterceptor, WebMvcConfigurer {
    private final Map<UUID, AtomicLong> byOrchard = new ConcurrentHashMap<>();
    /** Times after which that of any orchard may be old. */
    private final AtomicLong anywhere = new AtomicLong();

    public long of(UUID orchard) {
        return byOrchard.computeIfAbsent(orchard, o -> new AtomicLong()).get() + anywhere.get();
    }

    @EventListener
    void elsewhere(ChangedElsewhere change) {
        if (change.anything()) {
            anywhere.incrementAndGet();
        } else {
            changed(change.orchardId());
        }
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    /** Only now is what was written seen by others; what was refused wrote nothing. */
    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception failure) {
        if (HttpMethod.GET.matches(request.getMethod())
                || HttpMethod.HEAD.matches(request.getMethod())
                || HttpStatusCode.valueOf(response.getStatus()).is4xxClientError()
                || handler instanceof HandlerMethod method && method.hasMethodAnnotation(ReadsOnly.class)) {
            return;
        }
        // Who is signed out changes no orchard, but for a weather station, which says whose it is itself.
        if (request.getUserPrincipal() instanceof Authentication known
                && known.getPrincipal() instanceof Caller caller) {
            changed(caller.orchardId());
        }
    }

    /** Told of a change that can be read by now. */
    public void changed(UUID orchard) {
        byOrchard.computeIfAbsent(orchard, o -> new AtomicLong()).incrementAndGet();
    }
}
