package org.evenhand.kit;

import com.fasterxml.jackson.annotation.Nulls;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import org.evenhand.core.InvalidInputException;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.DeserializationConfig;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.deser.ValueDeserializerModifier;
import tools.jackson.databind.deser.std.DelegatingDeserializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * What any number, day, moment and text that comes in must be, before a rule of the trade is asked: of a size that can be worked with. No
 * orchard's record lies outside; what does is a slip, or sent to do harm.
 */
@Configuration(proxyBeanMethods = false)
public class InputBounds implements WebMvcConfigurer {
    private static final int FIRST_YEAR = 1700;
    private static final int LAST_YEAR = 2300;
    private static final int MOST_DIGITS = 40;
    private static final int LARGEST_POWER = 18;
    /** Fields of what may be long: words, whole files, and what only programs read. */
    private static final Set<String> OF_SEVERAL_LINES =
            Set.of("note", "reason", "conditions", "csv", "data", "value", "credential", "password", "now", "next");

    /** Whether a day can be one of an orchard's records. */
    public static boolean holds(LocalDate day) {
        return day.getYear() >= FIRST_YEAR && day.getYear() <= LAST_YEAR;
    }

    /** Whether a moment can be one of an orchard's records. */
    public static boolean holds(Instant at) {
        Instant first =
                LocalDate.of(FIRST_YEAR, 1, 1).atStartOfDay(ZoneOffset.UTC).toInstant();
        Instant end =
                LocalDate.of(LAST_YEAR + 1, 1, 1).atStartOfDay(ZoneOffset.UTC).toInstant();
        return !at.isBefore(first) && at.isBefore(end);
    }

    private static InvalidInputException beyond(String field) {
        return new InvalidInputException(field, "lies outside the years " + FIRST_YEAR + " to " + LAST_YEAR + ".");
    }

    private static LocalDate day(LocalDate day) {
        if (!holds(day)) {
            throw beyond("");
        }
        return day;
    }

    private static Instant moment(Instant at) {
        if (!holds(at)) {
            throw beyond("");
        }
        return at;
    }

    private static BigDecimal number(BigDecimal number) {
        if (number.precision() > MOST_DIGITS
                || number.precision() - number.scale() > LARGEST_POWER
                || number.scale() > MOST_DIGITS) {
            throw new InvalidInputException("", "has more digits than any measure has.");
        }
        return number;
    }

    private static String text(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c < ' ' && !breaks(c)) {
                throw new InvalidInputException("", "holds a character that no text has.");
            }
        }
        return text;
    }

    /** A name, a code, an address: what stands in lists, on labels and in files of lines. */
    private static String text(String text, String field) {
        if (!OF_SEVERAL_LINES.contains(String.valueOf(field))
                && text.strip().chars().anyMatch(c -> breaks((char) c))) {
            throw new InvalidInputException("", "has a line break or a tab in it. Write it in one line.");
        }
        return text(text);
    }

    private static boolean breaks(char c) {
        return c == '\n' || c == '\r' || c == '\t';
    }

    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addConverter(String.class, Instant.class, s -> moment(Instant.parse(s)));
        registry.addConverter(String.class, LocalDate.class, s -> day(LocalDate.parse(s)));
        registry.addConverter(String.class, BigDecimal.class, s -> number(new BigDecimal(s)));
        registry.addConverter(String.class, String.class, InputBounds::text);
    }

    /** The same for JSON, and no list or map with nothing in one of its places. */
    @Bean
    JsonMapperBuilderCustomizer boundedInput() {
        SimpleModule bounds = new SimpleModule("bounds");
        bounds.setDeserializerModifier(new Bounding());
        return builder ->
                builder.addModule(bounds).changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL));
    }

    private static final class Bounding extends ValueDeserializerModifier {
        private static final long serialVersionUID = 1;
        /** By the class of what was read; they know the field it stands in. */
        private static final Map<Class<?>, BiFunction<Object, String, Object>> CHECKS = Map.of(
                Instant.class, (v, field) -> moment((Instant) v),
                LocalDate.class, (v, field) -> day((LocalDate) v),
                BigDecimal.class, (v, field) -> number((BigDecimal) v),
                String.class, (v, field) -> text((String) v, field));

        @Override
        public ValueDeserializer<?> modifyDeserializer(
                DeserializationConfig config, BeanDescription.Supplier bean, ValueDeserializer<?> plain) {
            BiFunction<Object, String, Object> check = CHECKS.get(bean.getBeanClass());
            return check == null ? plain : new Checked(plain, check);
        }
    }

    /** Reads as another, then checks. */
    private static final class Checked extends DelegatingDeserializer {
        private final transient BiFunction<Object, String, Object> check;

        Checked(ValueDeserializer<?> plain, BiFunction<Object, String, Object> check) {
            super(plain);
            this.check = check;
        }

        @Override
        protected ValueDeserializer<?> newDelegatingInstance(ValueDeserializer<?> contextual) {
            return new Checked(contextual, check);
        }

        @Override
        public Object deserialize(JsonParser parser, DeserializationContext context) {
            Object read = super.deserialize(parser, context);
            return read == null ? null : check.apply(read, parser.currentName());
        }
    }
}
