package org.evenhand.kit;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.annotation.Annotation;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The description of the API, from which the web's types are made. */
@Configuration(proxyBeanMethods = false)
public class ApiDescription {
    /** The description of a property that may be left out. */
    public static final String OPTIONAL = "optional";

    @Bean
    OpenAPI evenHand() {
        return new OpenAPI()
                .info(new Info().title("Even Hand").version("1"))
                .servers(List.of(new Server().url("/").description("Wherever it runs")));
    }

    /** Ends of numbers, as {@link Within} tells them. */
    @Bean
    PropertyCustomizer endsOfNumbers() {
        return (property, type) -> {
            for (Annotation a : type.getCtxAnnotations() == null ? new Annotation[0] : type.getCtxAnnotations()) {
                if (a instanceof Within ends) {
                    property.minimum(BigDecimal.valueOf(ends.min()).stripTrailingZeros());
                    property.maximum(BigDecimal.valueOf(ends.max()).stripTrailingZeros());
                }
            }
            return property;
        };
    }

    /** Every property is there unless it says that it may be left out. */
    @Bean
    OpenApiCustomizer requiredUnlessOptional() {
        return api -> {
            if (api.getComponents() != null && api.getComponents().getSchemas() != null) {
                api.getComponents().getSchemas().values().forEach(ApiDescription::require);
            }
        };
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void require(Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        if (properties == null) {
            return;
        }
        List<String> required = new ArrayList<>();
        properties.forEach((name, property) -> {
            if (!OPTIONAL.equals(property.getDescription())) {
                required.add(name);
            }
        });
        schema.setRequired(required.isEmpty() ? null : required);
    }
}
