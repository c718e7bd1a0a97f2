package org.evenhand.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.kit.Caller.Role;
import org.evenhand.kit.Duties;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.kit.ReadsOnly;
import org.junit.jupiter.api.Test;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every operation against everybody: signed out, and each role. A new one without a decision fails here. */
class AccessTest {
    private static final Map<Duty, Set<Role>> ALLOWED = Map.of(
            Duty.READ,
            Set.of(Role.OWNER, Role.MANAGER, Role.WORKER, Role.VIEWER),
            Duty.WORK,
            Set.of(Role.OWNER, Role.MANAGER, Role.WORKER),
            Duty.MANAGE,
            Set.of(Role.OWNER, Role.MANAGER),
            Duty.OWN,
            Set.of(Role.OWNER));

    /** What the open ones are; each is guarded by a code, a key, a password or a limit of its own. */
    private static final Set<String> OPEN = Set.of(
            "GET /api/setup",
            "POST /api/setup",
            "POST /api/session",
            "DELETE /api/session",
            "POST /api/session/passkey",
            "POST /api/session/passkey/options",
            "POST /api/join",
            "POST /api/join/offer",
            "POST /api/join/password",
            "POST /api/station/hours",
            "GET /api/typical-year",
            "GET /api/machine/certificate",
            "GET /api/feeds/{key}.ics");

    private final TestServer server = TestServer.get();

    private record Operation(String method, String path, String consumes, HandlerMethod handler) {
        Duty duty() {
            return Duties.of(handler, method);
        }

        /** With an id that nobody has wherever one belongs. */
        String address() {
            return path.replaceAll("\\{[^}]*}", UUID.randomUUID().toString());
        }

        Api.Answer ask(Api api) {
            return switch (method) {
                case "PUT" -> api.put(address(), Map.of());
                case "POST" ->
                    switch (consumes) {
                        case "text/csv" -> api.postCsv(address(), "");
                        case "application/zip" -> api.postZip(address(), new byte[0]);
                        default -> api.post(address(), Map.of());
                    };
                case "DELETE" -> api.delete(address());
                default -> api.get(address());
            };
        }

        @Override
        public String toString() {
            return method + " " + path;
        }
    }

    private List<Operation> operations() {
        return server
                .bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .entrySet()
                .stream()
                .flatMap(e -> e.getKey().getPathPatternsCondition().getPatternValues().stream()
                        .filter(path -> path.startsWith("/api/"))
                        .flatMap(path -> e.getKey().getMethodsCondition().getMethods().stream()
                                .map(m -> new Operation(
                                        m.name(),
                                        path,
                                        e.getKey().getConsumesCondition().getConsumableMediaTypes().stream()
                                                .map(Object::toString)
                                                .findFirst()
                                                .orElse(""),
                                        e.getValue()))))
                .toList();
    }

    @Test
    void every_operation_that_changes_something_says_who_may() {
        assertThat(operations())
                .hasSizeGreaterThan(150)
                .allSatisfy(o -> assertThat(o.method().equals("GET")
                                || o.handler().hasMethodAnnotation(ReadsOnly.class)
                                || o.handler().hasMethodAnnotation(Needs.class))
                        .as("%s has no duty", o)
                        .isTrue());
        assertThat(operations().stream().filter(o -> o.duty() == Duty.OPEN).map(Operation::toString))
                .containsExactlyInAnyOrderElementsOf(OPEN);
    }

    @Test
    void each_role_is_let_through_to_what_is_its_own_and_to_nothing_else() {
        Api owner = server.newOrchard();
        UUID orchard =
                UUID.fromString(owner.get("/api/orchard").body().path("id").asString());
        Map<Role, Api> callers = new EnumMap<>(Role.class);
        callers.put(Role.OWNER, owner);
        Stream.of(Role.MANAGER, Role.WORKER, Role.VIEWER).forEach(r -> callers.put(r, server.member(orchard, r)));
        Api stranger = new Api(server.address());
        stranger.get("/api/setup").expect(200);
        List<String> wrong = new ArrayList<>();
        for (Operation o : operations()) {
            if (o.duty() == Duty.OPEN) {
                continue;
            }
            if (o.ask(stranger).status() != 401) {
                wrong.add(o + " is open to who is signed out");
            }
            if (o.duty() == Duty.SELF) {
                continue;
            }
            callers.forEach((role, api) -> {
                boolean refused = o.ask(api).status() == 403;
                if (refused == ALLOWED.get(o.duty()).contains(role)) {
                    wrong.add(o + (refused ? " is shut to " : " is open to ") + role);
                }
            });
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void a_worker_corrects_what_others_wrote_down_and_removes_only_what_is_theirs() {
        Api owner = server.newOrchard();
        UUID orchard =
                UUID.fromString(owner.get("/api/orchard").body().path("id").asString());
        Api worker = server.member(orchard, Role.WORKER);
        String tree = owner.tree(owner.variety("Lantern"), "Lantern 1");
        String theirs = owner.read(tree, TestServer.NOW, Map.of("shedding", 3)).id();
        String own = worker.read(tree, TestServer.NOW.minusSeconds(3600), Map.of("shedding", 3))
                .id();

        assertThat(worker.post("/api/readings/" + theirs + "/void", Api.voiding(0))
                        .expect(403)
                        .body()
                        .path("detail")
                        .asString())
                .contains("Somebody else wrote this down");
        worker.post("/api/story/reading/" + theirs + "/remove", Api.voiding(0)).expect(403);
        worker.post("/api/readings/" + own + "/void", Api.voiding(0)).expect(204);
        server.member(orchard, Role.MANAGER)
                .post("/api/readings/" + theirs + "/void", Api.voiding(0))
                .expect(204);
        assertThat(server.member(orchard, Role.VIEWER)
                        .put("/api/trees/" + tree, Map.of())
                        .expect(403)
                        .body()
                        .path("detail")
                        .asString())
                .contains("You are a viewer here");
    }
}
