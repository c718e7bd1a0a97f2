package org.evenhand.kit;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpMethod;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Lets through what the caller's role allows. That every operation has a duty is held by a test over all of them. */
@Component
public class Duties implements HandlerInterceptor, WebMvcConfigurer {
    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    /**
     * What an operation is. One that changes something and says nothing is the owner's alone: what was forgotten is shut.
     *
     * @param method as HTTP names it
     */
    public static Duty of(HandlerMethod operation, String method) {
        Needs needs = operation.getMethodAnnotation(Needs.class);
        if (needs != null) {
            return needs.value();
        }
        boolean reads = HttpMethod.GET.matches(method)
                || HttpMethod.HEAD.matches(method)
                || operation.hasMethodAnnotation(ReadsOnly.class);
        return reads ? Duty.READ : Duty.OWN;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (handler instanceof HandlerMethod operation
                && request.getUserPrincipal() instanceof Authentication known
                && known.getPrincipal() instanceof Caller caller) {
            Duty duty = of(operation, request.getMethod());
            if (!caller.may(duty)) {
                throw NotAllowedException.needs(duty, caller);
            }
        }
        return true;
    }
}
