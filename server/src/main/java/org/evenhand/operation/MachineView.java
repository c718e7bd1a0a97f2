package org.evenhand.operation;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import org.evenhand.kit.Job;

/** What is said about the machine. */
final class MachineView {
    private MachineView() {}

    /**
     * How phones reach it.
     *
     * @param address as others reach it; absent where nobody said
     * @param fingerprint SHA-256 of the certificate that was made here; absent where there is none
     */
    @Schema(name = "Phones")
    record Phones(
            @Schema(description = OPTIONAL) String address,
            @Schema(description = OPTIONAL) String fingerprint,
            @Schema(description = OPTIONAL) Instant certificateEnds) {}

    /**
     * How it is. Sizes in bytes.
     *
     * @param version of Even Hand
     * @param schema number of the last change of the database's form
     * @param memory that the application uses, of what it may
     * @param disk that is free where backups and logs lie
     * @param jobs what is done beside what people ask for
     */
    @Schema(name = "MachineStatus")
    record Status(
            String version,
            Instant startedAt,
            String databaseVersion,
            String schema,
            long databaseBytes,
            Amount memory,
            Amount disk,
            List<JobView> jobs,
            @Schema(description = OPTIONAL) Backup backup) {}

    /** @param waiting records whose outcome is worked out anew, or files being imported; 100 000 where there are more */
    @Schema(name = "MachineJob")
    record JobView(Job.Kind kind, long waiting) {}

    @Schema(name = "Amount")
    record Amount(long used, long of) {}

    /**
     * Daily backups.
     *
     * @param folder where they lie
     * @param last the latest; absent where there is none yet
     * @param failed why the latest attempt did not succeed
     */
    @Schema(name = "Backups")
    record Backup(
            String folder,
            int kept,
            @Schema(description = OPTIONAL) Instant last,
            @Schema(description = OPTIONAL) Long bytes,
            @Schema(description = OPTIONAL) String failed) {}
}
