package org.evenhand.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;

/** The same record sent twice at once, step by step. */
class IdempotentWriterTest {
    private final TestServer server = TestServer.get();
    private final IdempotentWriter once = server.bean(IdempotentWriter.class);
    private final UUID taken = UUID.fromString(Api.newId());

    @Test
    void a_record_written_by_the_other_sending_between_two_looks_is_found_and_not_called_foreign() {
        Supplier<Optional<String>> nothingAtFirst = inTurn(Optional.empty(), Optional.of("the first one"));

        assertThat(once.write("variety", taken, nothingAtFirst, () -> true, found -> found, () -> "written twice"))
                .isEqualTo("the first one");
    }

    @Test
    void an_id_of_another_orchard_is_not_found() {
        Supplier<Optional<String>> never = inTurn(Optional.empty(), Optional.empty());

        assertThatThrownBy(() -> once.write("variety", taken, never, () -> true, found -> found, () -> "written"))
                .isInstanceOf(NotFoundException.class);
    }

    private static Supplier<Optional<String>> inTurn(Optional<String> one, Optional<String> then) {
        Iterator<Optional<String>> looks = List.of(one, then).iterator();
        return looks::next;
    }
}
