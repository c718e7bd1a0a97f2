package org.evenhand;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.core.util.Separators;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class OpenApiTest {
    private static final Path COMMITTED = Path.of("..", "api", "openapi.json");
    /** As the file has always been written, so that a change shows what changed and no more. */
    private static final DefaultPrettyPrinter INDENTED = new DefaultPrettyPrinter(Separators.createDefaultInstance()
                    .withObjectNameValueSpacing(Separators.Spacing.AFTER)
                    .withObjectEmptySeparator("")
                    .withArrayEmptySeparator(""))
            .withArrayIndenter(DefaultIndenter.SYSTEM_LINEFEED_INSTANCE);

    /** The web's types are made from the committed file before the server is built; -Dopenapi.update=true writes it anew. */
    @Test
    void the_committed_description_is_what_the_server_says() throws IOException {
        JsonMapper json = JsonMapper.shared();
        JsonNode said = new Api(TestServer.get().address())
                .get("/v3/api-docs")
                .expect(200)
                .body();
        if (Boolean.getBoolean("openapi.update")) {
            Files.writeString(COMMITTED, json.writer().with(INDENTED).writeValueAsString(said) + "\n");
        }

        assertThat(json.readTree(Files.readString(COMMITTED)))
                .as("api/openapi.json is stale; run: ./even-hand test -pl core,web,server -Dopenapi.update=true")
                .isEqualTo(said);
    }
}
