package org.evenhand.records;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.type.SqlTypes;

/** A file that was imported: what it wrote and changed, so that it can be undone as a whole. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class ImportRun extends OrchardRecord {
    private String kind;
    private String fileName;
    private int lines;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<UUID> written;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Changed> changed;

    /**
     * A record that it changed.
     *
     * @param version that it had then; another one since means that somebody changed it
     * @param before what a form would have sent before, as JSON
     */
    record Changed(UUID id, long version, String before) {}

    ImportRun(
            UUID id,
            Caller caller,
            Instant now,
            ZoneId zone,
            String kind,
            String fileName,
            int lines,
            List<UUID> written,
            List<Changed> changed) {
        super(id, caller, now, zone);
        this.kind = kind;
        this.fileName = fileName;
        this.lines = lines;
        this.written = List.copyOf(written);
        this.changed = List.copyOf(changed);
    }

    List<UUID> written() {
        return List.copyOf(written);
    }

    List<Changed> changed() {
        return List.copyOf(changed);
    }
}
