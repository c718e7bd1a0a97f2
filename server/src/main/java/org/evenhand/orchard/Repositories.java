package org.evenhand.orchard;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface OrchardRepository extends JpaRepository<Orchard, UUID> {}

interface VarietyRepository extends RecordRepository<Variety> {
    @Override
    default String noun() {
        return "variety";
    }

    List<Variety> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);

    @Query("""
            select count(v) > 0 from Variety v where v.orchardId = :orchard and v.id <> :id and v.crop = :crop
              and lower(v.name) = lower(:name) and v.voidedAt is null""")
    boolean isTaken(UUID orchard, UUID id, String crop, String name);

    /** How many records of a kind. */
    interface Counted {
        String getKind();

        int getNumber();
    }

    /** Records of all rooms that name a variety and count. */
    @Query(nativeQuery = true, value = """
            select named.kind as kind, cast(count(*) as integer) as number from (
                select 'tree' as kind from tree where orchard_id = :orchard and variety_id = :id and voided_at is null
                union all select 'jar' from pollen_lot where orchard_id = :orchard and variety_id = :id and voided_at is null
                union all select 'bloom-date' from bloom_date where orchard_id = :orchard and variety_id = :id and voided_at is null
                union all select 'cross-request' from cross_request where orchard_id = :orchard and :id in (mother_id, father_id) and voided_at is null
                union all select 'cross' from controlled_cross where orchard_id = :orchard and father_id = :id and voided_at is null
                union all select 'fruit-target' from fruit_target where orchard_id = :orchard and variety_id = :id and voided_at is null
                union all select 'variety' from variety where orchard_id = :orchard and :id in (mother_id, father_id, sport_of_id) and voided_at is null
            ) named group by named.kind order by named.kind""")
    List<Counted> namedBy(UUID orchard, UUID id);
}

interface TreeRepository extends RecordRepository<Tree> {
    @Override
    default String noun() {
        return "tree";
    }

    List<Tree> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);

    List<Tree> findByOrchardIdAndVarietyId(UUID orchardId, UUID varietyId);

    /** What was recorded of a tree and counts, in all rooms. */
    @Query(nativeQuery = true, value = """
            select kind, cast(count(*) as integer) as number from story_line
            where orchard_id = :orchard and tree_id = :id and voided_at is null and kind not in ('tree', 'move')
            group by kind order by count(*) desc, kind""")
    List<VarietyRepository.Counted> recordsOf(UUID orchard, UUID id);

    @Query("""
            select count(t) > 0 from Tree t where t.orchardId = :orchard and t.id <> :id and lower(t.name) = lower(:name)
              and t.voidedAt is null""")
    boolean isTaken(UUID orchard, UUID id, String name);
}

interface BlockNoteRepository extends RecordRepository<BlockNote> {
    @Override
    default String noun() {
        return "block";
    }

    List<BlockNote> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
