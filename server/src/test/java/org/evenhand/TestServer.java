package org.evenhand;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.evenhand.account.Accounts;
import org.evenhand.core.Units;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * The real application on a free port with a database of its own, started once for all tests of the run. PostgreSQL itself is
 * started by {@code ./even-hand test}.
 */
public final class TestServer implements AutoCloseable {
    /** A late spring afternoon, at which the orchards of the tests stand still: what depends on the hour is the same at any hour. */
    public static final Instant NOW = Instant.parse("2026-11-24T03:00:00Z");

    public static final String PASSWORD = "three quiet herons";
    /** How long who looks at the plan waits for a new one. */
    public static final String WAITS_FOR_NEW = "--even-hand.waits-for-new=";

    private static TestServer running;

    private final ConfigurableApplicationContext context;
    private final String url;

    private TestServer(String... more) {
        this(newDatabase(), more);
    }

    private static String newDatabase() {
        String database = "server_" + UUID.randomUUID().toString().replace("-", "");
        createDatabase(database);
        return "jdbc:postgresql://" + hostAndPort() + "/" + database;
    }

    private TestServer(String url, String[] more) {
        this.url = url;
        List<String> settings = new ArrayList<>(List.of(
                "--server.port=0",
                "--spring.datasource.url=" + url,
                "--spring.datasource.password=" + password(),
                "--spring.datasource.hikari.maximum-pool-size=20",
                "--springdoc.api-docs.enabled=true",
                "--even-hand.setup-code=TERN-FLAT",
                "--even-hand.crops.directory=src/test/resources/crops"));
        settings.addAll(List.of(more));
        if (settings.stream().noneMatch(s -> s.startsWith(WAITS_FOR_NEW))) {
            // Tests ask at once for what follows from what they wrote.
            settings.add(WAITS_FOR_NEW + "1m");
        }
        this.context = new SpringApplicationBuilder(EvenHandApplication.class).run(settings.toArray(String[]::new));
    }

    /** A second machine with a database of its own, on which the invented orchard lives; to be closed. */
    public static TestServer withDemo() {
        return new TestServer("--even-hand.demo=true");
    }

    /** A machine on its first day; to be closed. */
    public static TestServer fresh() {
        return new TestServer();
    }

    /** Another instance on the database of this one; to be closed. */
    public TestServer beside(String... settings) {
        return new TestServer(url, settings);
    }

    @Override
    public void close() {
        context.close();
    }

    public static synchronized TestServer get() {
        if (running == null) {
            running = new TestServer();
        }
        return running;
    }

    public static String hostAndPort() {
        String given = System.getenv("EVEN_HAND_TEST_DB");
        if (given == null) {
            throw new IllegalStateException("These tests need PostgreSQL: run them with ./even-hand test");
        }
        return given;
    }

    public static String password() {
        return System.getenv("EVEN_HAND_TEST_DB_PASSWORD");
    }

    public static void createDatabase(String name) {
        asAdmin("create database " + name);
    }

    /** Says something about this server's database from outside of it; %s is its name. */
    public void admin(String statement) {
        asAdmin(statement.formatted(url.substring(url.lastIndexOf('/') + 1)));
    }

    /** Cuts every connection to this server's database. */
    public void disconnect() {
        admin("select pg_terminate_backend(pid) from pg_stat_activity where datname = '%s'");
    }

    private static void asAdmin(String statement) {
        try (Connection c = DriverManager.getConnection(
                        "jdbc:postgresql://" + hostAndPort() + "/postgres", "even_hand", password());
                Statement s = c.createStatement()) {
            s.execute(statement);
        } catch (SQLException e) {
            throw new IllegalStateException(statement, e);
        }
    }

    public String address() {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    public JdbcTemplate database() {
        return context.getBean(JdbcTemplate.class);
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    public <T> T bean(String name, Class<T> type) {
        return context.getBean(name, type);
    }

    /** A new orchard on the southern coast, and its owner's signed-in client. */
    public Api newOrchard() {
        return newOrchard(NOW);
    }

    /** The same with the machine's clock, as orchards outside the demo have it. */
    public Api newLiveOrchard() {
        return newOrchard(null);
    }

    /** The same at another moment of its clock. */
    public Api newOrchard(Instant moment) {
        UUID orchard = UUID.randomUUID();
        bean(Orchards.class)
                .create(
                        orchard,
                        new OrchardDetails(
                                "Tern Flat",
                                new Site(-35.3, 173.9, java.time.ZoneId.of("Pacific/Auckland")),
                                new DailyTemperatures(14, 24),
                                Units.METRIC),
                        moment);
        return member(orchard, Caller.Role.OWNER);
    }

    /** A further person of an orchard. */
    public Api member(UUID orchard, Caller.Role role) {
        String email = UUID.randomUUID() + "@tern-flat.example";
        bean(Accounts.class).create(orchard, role, email, "Mere", PASSWORD);
        Api api = new Api(address());
        api.signIn(email, PASSWORD);
        return api;
    }
}
