package org.evenhand.kit;

import static org.assertj.core.api.Assertions.assertThat;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.lang.reflect.AnnotatedElement;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.AnnotatedType;
import java.lang.reflect.Method;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.databind.JsonNode;

/** What requests must hold is said once, where their fields are named, and refused for all fields together. */
class RequestRulesTest {
    private final TestServer server = TestServer.get();

    @Test
    void whatever_is_not_optional_is_required_and_every_text_has_an_end() {
        Set<String> wrong = new LinkedHashSet<>();
        for (Class<?> request : requests()) {
            for (RecordComponent part : request.getRecordComponents()) {
                AnnotatedElement field = field(request, part);
                boolean given = part.getType().isPrimitive()
                        || field.isAnnotationPresent(NotNull.class)
                        || field.isAnnotationPresent(NotBlank.class);
                if (given == optional(field)) {
                    wrong.add(request.getSimpleName() + "." + part.getName() + ": required or optional?");
                }
                if (field.isAnnotationPresent(NotBlank.class) && !field.isAnnotationPresent(Size.class)) {
                    wrong.add(request.getSimpleName() + "." + part.getName() + ": how long?");
                }
                if (!records(part.getGenericType()).isEmpty() && !lookedInto(part.getAnnotatedType())) {
                    wrong.add(request.getSimpleName() + "." + part.getName() + ": its inside is not looked at");
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void all_that_is_wrong_is_told_at_once() {
        Api api = server.newOrchard();
        JsonNode refused = api.put(
                        "/api/trees/" + Api.newId(),
                        java.util.Map.of("name", " ", "block", "b".repeat(81), "row", -1, "position", 3))
                .expect(400)
                .body();
        List<String> told = new ArrayList<>();
        refused.path("errors")
                .forEach(e -> told.add(
                        e.path("field").asString() + " " + e.path("message").asString()));
        assertThat(told)
                .containsExactly(
                        "block has 81 characters; allowed are 80. Please shorten it.",
                        "name is empty; please give it.",
                        "row is -1; allowed is 0 to 100,000.",
                        "varietyId is missing; please give it.");
        assertThat(refused.path("errors")
                        .valueStream()
                        .map(e -> e.path("text").path("key").asString()))
                .as("for people of any language")
                .containsExactly("refused.too-long", "refused.empty", "refused.range", "refused.missing");
    }

    /** The types of all bodies, and of the records in them. */
    private Set<Class<?>> requests() {
        Set<Class<?>> found = new LinkedHashSet<>();
        server
                .bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .values()
                .stream()
                .filter(h -> h.getBeanType().getPackageName().startsWith("org.evenhand"))
                .map(h -> h.getMethod())
                .forEach(m -> bodies(m).forEach(t -> gather(t, found)));
        assertThat(found).hasSizeGreaterThan(40);
        return found;
    }

    private static List<Type> bodies(Method method) {
        return Arrays.stream(method.getParameters())
                .filter(p -> p.isAnnotationPresent(RequestBody.class))
                .map(java.lang.reflect.Parameter::getParameterizedType)
                .toList();
    }

    private static void gather(Type type, Set<Class<?>> into) {
        for (Class<?> record : records(type)) {
            if (into.add(record)) {
                Arrays.stream(record.getRecordComponents()).forEach(c -> gather(c.getGenericType(), into));
            }
        }
    }

    /** The records of ours that a type is or holds; files in an open format have rules of their own. */
    private static List<Class<?>> records(Type type) {
        if (type instanceof ParameterizedType of) {
            return Arrays.stream(of.getActualTypeArguments())
                    .flatMap(t -> records(t).stream())
                    .toList();
        }
        return type instanceof Class<?> c && c.isRecord() && !c.getName().contains("GeoJson") && c != UUID.class
                ? List.of(c)
                : List.of();
    }

    private static boolean lookedInto(AnnotatedType type) {
        return type.isAnnotationPresent(Valid.class)
                || type instanceof AnnotatedParameterizedType of
                        && Arrays.stream(of.getAnnotatedActualTypeArguments()).anyMatch(RequestRulesTest::lookedInto);
    }

    private static AnnotatedElement field(Class<?> request, RecordComponent part) {
        try {
            return request.getDeclaredField(part.getName());
        } catch (NoSuchFieldException e) {
            throw new IllegalStateException(e);
        }
    }

    private static boolean optional(AnnotatedElement field) {
        Schema schema = field.getAnnotation(Schema.class);
        return schema != null && ApiDescription.OPTIONAL.equals(schema.description());
    }
}
