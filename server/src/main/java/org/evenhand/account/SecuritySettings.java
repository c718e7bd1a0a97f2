package org.evenhand.account;

import org.evenhand.kit.Problems;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import tools.jackson.databind.json.JsonMapper;

/** The API wants a session and a CSRF token; pages, styles and scripts are open and leave no cookie. */
@Configuration(proxyBeanMethods = false)
class SecuritySettings {
    private static final String CONTENT_POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; "
            + "img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    SecurityContextRepository securityContextRepository() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    @Order(1)
    SecurityFilterChain api(HttpSecurity http, JsonMapper json, SecurityContextRepository contexts, Members members)
            throws Exception {
        http.securityMatcher("/api/**")
                .addFilterAfter(new CurrentMember(members, json), SecurityContextHolderFilter.class)
                // Nobody is led back to an address of the API: to keep it would leave a session for whoever asks.
                .requestCache(AbstractHttpConfigurer::disable)
                .csrf(csrf -> csrf.spa().ignoringRequestMatchers("/api/station/hours"))
                .securityContext(c -> c.securityContextRepository(contexts))
                .authorizeHttpRequests(requests -> requests.requestMatchers(
                                "/api/setup",
                                "/api/typical-year",
                                "/api/session",
                                "/api/session/passkey",
                                "/api/session/passkey/options",
                                "/api/join",
                                "/api/machine/certificate",
                                "/api/join/offer",
                                "/api/join/password",
                                "/api/station/hours",
                                "/api/feeds/*")
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .exceptionHandling(
                        e -> e.authenticationEntryPoint((request, response, failure) -> Problems.write(
                                        json,
                                        response,
                                        HttpStatus.UNAUTHORIZED,
                                        "signed-out",
                                        "Signed out",
                                        "Please sign in; what you typed is still there."))
                                .accessDeniedHandler(
                                        (request, response, failure) -> Problems.write(
                                                json,
                                                response,
                                                HttpStatus.FORBIDDEN,
                                                "stale-page",
                                                "Page too old",
                                                "This page is too old to save anything: load it again. What you typed is still there.")));
        return http.build();
    }

    @Bean
    @Order(2)
    SecurityFilterChain pages(HttpSecurity http) throws Exception {
        http.csrf(AbstractHttpConfigurer::disable)
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .requestCache(AbstractHttpConfigurer::disable)
                .headers(h -> h.cacheControl(c -> c.disable())
                        .contentSecurityPolicy(p -> p.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(r -> r.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.NO_REFERRER)))
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll());
        return http.build();
    }
}
