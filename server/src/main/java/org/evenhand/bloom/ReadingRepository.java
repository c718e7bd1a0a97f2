package org.evenhand.bloom;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface ReadingRepository extends RecordRepository<Reading> {
    @Override
    default String noun() {
        return "reading";
    }

    /** Readings of some trees with their counts, in one query however many there are. */
    @Query("""
            select distinct r from Reading r left join fetch r.counts
            where r.orchardId = :orchard and r.treeId in :trees and r.takenAt > :after and r.takenAt <= :until
              and r.voidedAt is null order by r.takenAt, r.id""")
    List<Reading> withCounts(UUID orchard, Collection<UUID> trees, Instant after, Instant until);

    /** For each tree with readings, something that changes whenever one comes, goes or is corrected. */
    @Query(nativeQuery = true, value = """
            select tree_id as treeid, md5(string_agg(id || ':' || version, ',' order by taken_at, id)) as fingerprint from reading
            where orchard_id = :orchard and taken_at > :after and taken_at <= :until and voided_at is null
            group by tree_id""")
    List<Fingerprint> fingerprints(UUID orchard, Instant after, Instant until);

    /** A tree and what its readings are. */
    interface Fingerprint {
        UUID getTreeid();

        String getFingerprint();
    }

    List<Reading> findTop20ByOrchardIdAndTreeIdAndVoidedAtIsNullOrderByTakenAtDesc(UUID orchardId, UUID treeId);

    boolean existsByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
