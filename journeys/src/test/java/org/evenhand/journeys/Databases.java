package org.evenhand.journeys;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/** The databases of the journeys, on the server that {@code ./even-hand test} has started. */
final class Databases {
    private Databases() {}

    /** A new database with nothing in it; its name. */
    static String empty() {
        return made("");
    }

    /** A new database with all that stands in another, to which nobody may be connected; its name. */
    static String copyOf(String other) {
        return made(" template " + other);
    }

    static String url(String name) {
        return "jdbc:postgresql://" + server() + "/" + name;
    }

    static String password() {
        return System.getenv("EVEN_HAND_TEST_DB_PASSWORD");
    }

    private static String made(String how) {
        String name = "journey_" + UUID.randomUUID().toString().replace("-", "");
        try (Connection c = DriverManager.getConnection(url("postgres"), "even_hand", password());
                Statement s = c.createStatement()) {
            s.execute("create database " + name + how);
            return name;
        } catch (SQLException e) {
            throw new IllegalStateException("The journey's database could not be made", e);
        }
    }

    private static String server() {
        String given = System.getenv("EVEN_HAND_TEST_DB");
        if (given == null) {
            throw new IllegalStateException("The journeys need PostgreSQL: run them with ./even-hand test");
        }
        return given;
    }
}
