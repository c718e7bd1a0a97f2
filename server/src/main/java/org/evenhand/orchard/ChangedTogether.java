package org.evenhand.orchard;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.evenhand.kit.OrchardRecord;
import org.evenhand.kit.Revision;
import org.hibernate.envers.AuditReader;
import org.hibernate.envers.AuditReaderFactory;
import org.hibernate.envers.query.AuditEntity;
import org.hibernate.envers.query.AuditQuery;
import org.hibernate.envers.query.criteria.AuditCriterion;

/** Records that one transaction changed, as Hibernate Envers kept them: each as it was before, and as it was after. */
final class ChangedTogether {
    private final AuditReader history;
    private final UUID orchardId;
    private final Revision revision;

    /** @param before what it was; {@code after} is what the transaction made of it */
    record Change<T>(T before, T after) {}

    private ChangedTogether(AuditReader history, UUID orchardId, Revision revision) {
        this.history = history;
        this.orchardId = orchardId;
        this.revision = revision;
    }

    /** What the latest change of a record changed besides. */
    static ChangedTogether withLatestOf(EntityManager database, OrchardRecord record) {
        AuditReader history = AuditReaderFactory.get(database);
        Object[] latest = latest(history, record.getClass(), record.id()).get(0);
        return new ChangedTogether(history, record.orchardId(), (Revision) latest[1]);
    }

    /** States of a record with their revisions, the latest that meets the conditions first, and no other. */
    @SuppressWarnings("unchecked")
    private static List<Object[]> latest(AuditReader history, Class<?> type, UUID id, AuditCriterion... conditions) {
        AuditQuery states = history.createQuery()
                .forRevisionsOfEntity(type, false, true)
                .add(AuditEntity.id().eq(id));
        Stream.of(conditions).forEach(states::add);
        return states.addOrder(AuditEntity.revisionProperty("at").desc())
                .setMaxResults(1)
                .getResultList();
    }

    <T extends OrchardRecord> List<Change<T>> of(Class<T> type) {
        List<?> found = history.createQuery()
                .forEntitiesModifiedAtRevision(type, revision.number())
                .add(AuditEntity.property("orchardId").eq(orchardId))
                .getResultList();
        return found.stream()
                .map(type::cast)
                .flatMap(after -> before(type, after))
                .toList();
    }

    /** Nothing where the transaction wrote it down first. */
    private <T extends OrchardRecord> Stream<Change<T>> before(Class<T> type, T after) {
        return latest(
                        history,
                        type,
                        after.id(),
                        AuditEntity.revisionProperty("at").lt(revision.at()))
                .stream()
                .map(state -> new Change<>(type.cast(state[0]), after));
    }
}
