package org.evenhand.weather;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.SecretKeys;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Asks for a station's key before anything of what is sent is read: whoever has none sends in vain. */
@Component
class StationKeys implements HandlerInterceptor, WebMvcConfigurer {
    static final String HEADER = "X-Station-Key";

    private final WeatherRecordRepository records;

    StationKeys(WeatherRecordRepository records) {
        this.records = records;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/station/hours");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        require(request.getHeader(HEADER));
        return true;
    }

    /** @throws InvalidInputException where no station has it */
    WeatherRecord require(String key) {
        return records.findByKeyHashAndVoidedAtIsNull(SecretKeys.hash(key))
                .orElseThrow(() -> new InvalidInputException(HEADER, "is not the key of any station."));
    }
}
