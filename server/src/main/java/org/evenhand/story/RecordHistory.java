package org.evenhand.story;

import jakarta.persistence.EntityManager;
import jakarta.persistence.metamodel.Attribute;
import java.lang.reflect.Field;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.kit.Caller;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.OrchardRecord;
import org.evenhand.kit.RecordKind;
import org.evenhand.kit.Revision;
import org.hibernate.envers.AuditReaderFactory;
import org.hibernate.envers.query.AuditEntity;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How a record came to be as it is, as Hibernate Envers kept it: who changed what, and when. */
@Service
class RecordHistory {
    /** What every record carries by itself. */
    private static final Set<String> OF_EVERY_RECORD = Set.of(
            "id", "orchardId", "recordedBy", "recordedAt", "zone", "version", "voidedAt", "voidReason", "corrections");

    /** Tables in which a reference finds its name. */
    private static final Map<String, String> NAMES = Map.of(
            "treeId", "select name from tree where id = ?",
            "varietyId", "select name from variety where id = ?",
            "fatherId", "select name from variety where id = ?",
            "lotId", "select code from pollen_lot where id = ?");

    private final EntityManager database;
    private final JdbcTemplate jdbc;

    RecordHistory(EntityManager database, JdbcTemplate jdbc) {
        this.database = database;
        this.jdbc = jdbc;
    }

    /** A record as it stood after a change. */
    private record State(Revision revision, OrchardRecord record, Map<String, String> fields) {}

    /**
     * The record's revisions, the latest first.
     *
     * @throws NotFoundException where there is none in the caller's orchard
     */
    @Transactional(readOnly = true)
    StoryView.History of(Caller caller, RecordKind kind, UUID id) {
        List<State> states = states(caller, kind, id);
        if (states.isEmpty()) {
            throw new NotFoundException("record", id);
        }
        Map<UUID, String> people = people(states);
        List<StoryView.Revised> revised = new ArrayList<>();
        for (int i = 0; i < states.size(); i++) {
            revised.add(revised(states.get(i), i == 0 ? null : states.get(i - 1), people));
        }
        Collections.reverse(revised);
        return new StoryView.History(revised);
    }

    private List<State> states(Caller caller, RecordKind kind, UUID id) {
        List<?> found = AuditReaderFactory.get(database)
                .createQuery()
                .forRevisionsOfEntity(kind.type(), false, true)
                .add(AuditEntity.id().eq(id))
                .add(AuditEntity.property("orchardId").eq(caller.orchardId()))
                .getResultList();
        return found.stream()
                .map(Object[].class::cast)
                .map(row -> new State((Revision) row[1], (OrchardRecord) row[0], fields(kind, row[0])))
                .sorted(Comparator.comparing(s -> s.revision().at()))
                .toList();
    }

    private Map<UUID, String> people(List<State> states) {
        UUID[] ids = states.stream()
                .map(s -> s.revision().accountId())
                .filter(Objects::nonNull)
                .distinct()
                .toArray(UUID[]::new);
        return jdbc
                .query(
                        "select id, name from account where id = any(?)",
                        (row, i) -> Map.entry(row.getObject(1, UUID.class), row.getString(2)),
                        (Object) ids)
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private static StoryView.Revised revised(State now, State before, Map<UUID, String> people) {
        boolean removed = now.record().voided();
        boolean wasRemoved = before != null && before.record().voided();
        StoryView.Deed deed = before == null
                ? StoryView.Deed.WRITTEN
                : removed && !wasRemoved
                        ? StoryView.Deed.REMOVED
                        : wasRemoved && !removed ? StoryView.Deed.RESTORED : StoryView.Deed.CORRECTED;
        return new StoryView.Revised(
                now.revision().at(),
                people.getOrDefault(now.revision().accountId(), ""),
                deed,
                removed ? now.record().voidReason() : null,
                before == null ? List.of() : changes(before.fields(), now.fields()));
    }

    private static List<StoryView.Change> changes(Map<String, String> before, Map<String, String> after) {
        return after.entrySet().stream()
                .filter(e -> !e.getValue().equals(before.getOrDefault(e.getKey(), "")))
                .map(e -> new StoryView.Change(e.getKey(), before.getOrDefault(e.getKey(), ""), e.getValue()))
                .toList();
    }

    private Map<String, String> fields(RecordKind kind, Object record) {
        Map<String, String> fields = new LinkedHashMap<>();
        database.getMetamodel().entity(kind.type()).getAttributes().stream()
                .filter(a -> !OF_EVERY_RECORD.contains(a.getName()))
                .sorted(Comparator.comparing(Attribute::getName))
                .forEach(a -> fields.put(a.getName(), said(a.getName(), value(a, record))));
        return fields;
    }

    private static Object value(Attribute<?, ?> attribute, Object record) {
        try {
            Field field = (Field) attribute.getJavaMember();
            field.setAccessible(true);
            return field.get(record);
        } catch (IllegalAccessException e) {
            throw new IllegalStateException("The field " + attribute.getName() + " cannot be read.", e);
        }
    }

    /** A value as people read it: references by the name of what they lead to. */
    private String said(String field, Object value) {
        if (value == null) {
            return "";
        }
        if (value instanceof UUID id && NAMES.containsKey(field)) {
            return jdbc.queryForList(NAMES.get(field), String.class, id).stream()
                    .findFirst()
                    .orElse(id.toString());
        }
        if (value instanceof Map<?, ?> map) {
            return new TreeMap<>(map)
                    .entrySet().stream()
                            .map(e -> e.getKey() + " " + e.getValue())
                            .collect(Collectors.joining(", "));
        }
        if (value instanceof byte[] bytes) {
            return bytes.length + " bytes";
        }
        return value instanceof Collection<?> several
                ? several.stream().map(String::valueOf).collect(Collectors.joining(", "))
                : value.toString();
    }
}
