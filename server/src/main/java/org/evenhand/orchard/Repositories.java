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

    /** Records of all rooms that name a variety and count. */
    @Query(nativeQuery = true, value = """
            select count(*) from (
                select 1 from tree where orchard_id = :orchard and variety_id = :id and voided_at is null
                union all select 1 from pollen_lot where orchard_id = :orchard and variety_id = :id and voided_at is null
                union all select 1 from bloom_date where orchard_id = :orchard and variety_id = :id and voided_at is null
                union all select 1 from cross_request where orchard_id = :orchard and :id in (mother_id, father_id) and voided_at is null
                union all select 1 from controlled_cross where orchard_id = :orchard and father_id = :id and voided_at is null
                union all select 1 from fruit_target where orchard_id = :orchard and variety_id = :id and voided_at is null
                union all select 1 from variety where orchard_id = :orchard and :id in (mother_id, father_id, sport_of_id) and voided_at is null
            ) named""")
    int timesNamed(UUID orchard, UUID id);
}

interface TreeRepository extends RecordRepository<Tree> {
    @Override
    default String noun() {
        return "tree";
    }

    List<Tree> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);

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
