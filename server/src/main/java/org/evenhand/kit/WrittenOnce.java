package org.evenhand.kit;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import org.springframework.beans.factory.ObjectProvider;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.io.SerializedString;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes a large, unchanging part of a kept answer once for all who ask for it; recognised by its identity, and forgotten with it. For
 * parts whose JSON does not depend on who asks, in nothing that carries a type of its own in JSON.
 */
public final class WrittenOnce extends ValueSerializer<Object> {
    private final ObjectProvider<JsonMapper> json;
    private final Cache<Object, SerializedString> written =
            Caffeine.newBuilder().weakKeys().build();

    WrittenOnce(ObjectProvider<JsonMapper> json) {
        this.json = json;
    }

    @Override
    public void serialize(Object part, JsonGenerator out, SerializationContext context) {
        out.writeRawValue(
                written.get(part, p -> new SerializedString(json.getObject().writeValueAsString(p))));
    }
}
