package org.evenhand.orchard;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.AuditReader;
import org.hibernate.envers.AuditReaderFactory;
import org.hibernate.envers.query.AuditEntity;

/** Records that one transaction changed, as Hibernate Envers kept them: each as it was before, and as it was after. */
final class ChangedTogether {
    private final AuditReader history;
    private final UUID orchardId;
    private final long revision;

    /** @param before what it was; {@code after} is what the transaction made of it */
    record Change<T>(T before, T after) {}

    private ChangedTogether(AuditReader history, UUID orchardId, long revision) {
        this.history = history;
        this.orchardId = orchardId;
        this.revision = revision;
    }

    /** What the latest change of a record changed besides. */
    static ChangedTogether withLatestOf(EntityManager database, OrchardRecord record) {
        AuditReader history = AuditReaderFactory.get(database);
        Number latest = (Number) history.createQuery()
                .forRevisionsOfEntity(record.getClass(), false, true)
                .addProjection(AuditEntity.revisionNumber().max())
                .add(AuditEntity.id().eq(record.id()))
                .getSingleResult();
        return new ChangedTogether(history, record.orchardId(), latest == null ? 0 : latest.longValue());
    }

    <T extends OrchardRecord> List<Change<T>> of(Class<T> type) {
        List<?> found = history.createQuery()
                .forEntitiesModifiedAtRevision(type, revision)
                .add(AuditEntity.property("orchardId").eq(orchardId))
                .getResultList();
        return found.stream()
                .map(type::cast)
                .flatMap(after -> before(type, after))
                .toList();
    }

    /** Nothing where the transaction wrote it down first. */
    private <T extends OrchardRecord> Stream<Change<T>> before(Class<T> type, T after) {
        return Stream.ofNullable(history.find(type, after.id(), revision - 1))
                .map(before -> new Change<>(before, after));
    }
}
