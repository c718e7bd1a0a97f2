package org.evenhand.findings;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface ComparisonRepository extends RecordRepository<Comparison> {
    @Override
    default String noun() {
        return "trial";
    }

    List<Comparison> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(UUID orchardId);

    long countByOrchardId(UUID orchardId);

    /** Nobody else gets a label until the transaction ends. */
    @Query(
            value = "select count(*) from (select pg_advisory_xact_lock(hashtext('comparison' || :orchard))) l",
            nativeQuery = true)
    int lockLabels(String orchard);
}
