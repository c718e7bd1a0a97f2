package org.evenhand;

import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A database as an earlier version left it, to be brought to this one. */
public final class EarlierVersion {
    private final DriverManagerDataSource source;

    /** @param version the migration it stands at */
    public EarlierVersion(String version) {
        String name = "earlier_" + UUID.randomUUID().toString().replace("-", "");
        TestServer.createDatabase(name);
        source = new DriverManagerDataSource(
                "jdbc:postgresql://" + TestServer.hostAndPort() + "/" + name, "even_hand", TestServer.password());
        migrateTo(version);
    }

    public JdbcTemplate jdbc() {
        return new JdbcTemplate(source);
    }

    /** Records of a table may stand alone: what they refer to is left out. */
    public void alone(String table) {
        jdbc().execute("alter table " + table + " disable trigger all");
        jdbc().queryForList(
                        "select conname from pg_constraint where conrelid = ?::regclass and contype = 'f'",
                        String.class,
                        table)
                .forEach(name -> jdbc().execute("alter table " + table + " drop constraint " + name));
    }

    public void migrateToLatest() {
        migrateTo("latest");
    }

    private void migrateTo(String version) {
        Flyway.configure()
                .dataSource(source) // What is written anew after every version fits the latest only.
                .repeatableSqlMigrationPrefix("none")
                .target(version)
                .load()
                .migrate();
    }
}
