package org.evenhand.bench;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.postgresql.PGConnection;

/**
 * The command {@code even-hand bench findings}: a contractor's year brought in as CSV, against PostgreSQL's own COPY of the same rows
 * into the same tables, and how long Findings takes to answer over them.
 */
public final class FindingsLoad {
    private static final int CALLS = 25;

    private final BenchOrchard orchard;
    private final String database;
    private final int flowers;
    /** The latest season that is over, looks and all. */
    private final LocalDate first =
            LocalDate.of(LocalDate.now().minusDays(165).minusMonths(4).getYear(), 5, 2);

    private FindingsLoad(BenchOrchard orchard, String database, int flowers) {
        this.orchard = orchard;
        this.database = database;
        this.flowers = flowers;
    }

    public static void main(String[] arguments) throws Exception {
        int flowers = arguments.length > 3 ? Integer.parseInt(arguments[3]) : 1_000_000;
        Path folder = Path.of(arguments[2]);
        Class.forName("org.postgresql.Driver");
        new FindingsLoad(new BenchOrchard(arguments[0]), arguments[1], flowers).run(folder);
    }

    private void run(Path folder) throws IOException, InterruptedException, SQLException {
        Path pollinations = folder.resolve("pollinations.csv");
        Path looks = folder.resolve("looks.csv");
        new ContractorYear(flowers, first, 1).write(pollinations, looks);
        plant();
        double imported = orchard.secondsForCsv("/api/records/pollinations", pollinations);
        double seen = orchard.secondsForCsv("/api/records/looks", looks);
        double calculated = untilCalculated();
        double copied = copyTheSame(folder);
        System.out.printf(
                Locale.ROOT,
                "%n%d flowers and %d looks by CSV in %.1f s (%.1f + %.1f); COPY of the same rows into the same tables in %.1f s:"
                        + " import at %.2f of COPY's speed%n",
                flowers,
                3 * flowers,
                imported + seen,
                imported,
                seen,
                copied,
                copied / (imported + seen));
        System.out.printf(Locale.ROOT, "reckoned behind it in %.1f s%n", calculated);
        answer("Findings", "/api/findings");
        answer("retention by age", "/api/findings/retention?factor=LOT_AGE");
        answer("several causes", "/api/findings/causes");
        answer("worst", "/api/findings/worst");
        answer("season report", "/api/findings/season");
        answer("looks due", "/api/fruit-set");
        plans();
    }

    private void answer(String name, String path) throws IOException, InterruptedException {
        System.out.printf(
                Locale.ROOT,
                "%s: %.0f ms the first time, %.0f ms at the median of %d calls, %.0f kB%n",
                name,
                orchard.millisFor(path),
                orchard.medianMillisFor(path, CALLS),
                CALLS,
                orchard.get(path).length() / 1000.0);
    }

    private void plant() throws IOException, InterruptedException {
        String[] varieties = new String[ContractorYear.VARIETIES];
        for (int v = 0; v < varieties.length; v++) {
            varieties[v] = orchard.id();
            orchard.put("/api/varieties/" + varieties[v], "{\"crop\":\"cherimoya\",\"name\":\"V%d\"}".formatted(v));
        }
        for (int t = 0; t < ContractorYear.TREES; t++) {
            orchard.put(
                    "/api/trees/" + orchard.id(),
                    "{\"varietyId\":\"%s\",\"name\":\"T%d\",\"block\":\"B%d\",\"row\":%d,\"position\":%d}"
                            .formatted(varieties[t % varieties.length], t, t / 100, t / 20, t % 20));
        }
    }

    private double untilCalculated() throws IOException, InterruptedException {
        long start = System.nanoTime();
        while (!orchard.get("/api/findings").contains("\"waiting\":0")) {
            Thread.sleep(500);
        }
        return (System.nanoTime() - start) / 1e9;
    }

    /** The rows as PostgreSQL wrote them out, copied into the emptied tables with all their indexes, keys and triggers. */
    private double copyTheSame(Path folder) throws SQLException, IOException {
        try (Connection c = DriverManager.getConnection(database);
                Statement s = c.createStatement()) {
            List<String> tables = List.of("pollination", "fruit_check");
            for (String table : tables) {
                try (var out = Files.newOutputStream(folder.resolve(table + ".copy"))) {
                    c.unwrap(PGConnection.class)
                            .getCopyAPI()
                            .copyOut("copy (select * from " + table + ") to stdout", out);
                }
            }
            c.setAutoCommit(false);
            s.execute(
                    "truncate flower_outcome, flower_outcome_due, fruit, fruit_check, record_photo, pollen_entry, pollination");
            double seconds = 0;
            for (String table : tables) {
                long start = System.nanoTime();
                try (Reader in = Files.newBufferedReader(folder.resolve(table + ".copy"))) {
                    c.unwrap(PGConnection.class).getCopyAPI().copyIn("copy " + table + " from stdin", in);
                }
                seconds += (System.nanoTime() - start) / 1e9;
            }
            // As it was: the measured page reads what the import had reckoned.
            c.rollback();
            return seconds;
        }
    }

    /** What the page's statements read, as PostgreSQL plans them: a plan that reads a whole large table is a miss. */
    private void plans() throws SQLException {
        String orchardId = "(select orchard_id from pollination limit 1)";
        List<String> statements = List.of(
                "select * from set_cell where orchard_id = %1$s and season = %2$d and crop = 'cherimoya'",
                "select * from loss_cell where orchard_id = %1$s and season = %2$d and crop = 'cherimoya' and factor = 'LOT_AGE'",
                "select * from cause_cell where orchard_id = %1$s and season = %2$d and crop = 'cherimoya'",
                "select pollination_id from flower_outcome where orchard_id = %1$s and next_check <= current_date order by next_check limit 300");
        try (Connection c = DriverManager.getConnection(database);
                Statement s = c.createStatement()) {
            s.execute("analyze");
            for (String statement : statements) {
                List<String> plan = new ArrayList<>();
                try (ResultSet rows = s.executeQuery("explain " + statement.formatted(orchardId, first.getYear()))) {
                    while (rows.next()) {
                        plan.add(rows.getString(1).strip());
                    }
                }
                boolean whole = plan.stream()
                        .anyMatch(p -> p.startsWith("->  Seq Scan on flower_outcome ")
                                || p.startsWith("Seq Scan on flower_outcome "));
                System.out.printf(
                        "plan %s: %s%n", whole ? "READS ALL OF flower_outcome" : "indexed or small", plan.get(0));
            }
        }
    }
}
