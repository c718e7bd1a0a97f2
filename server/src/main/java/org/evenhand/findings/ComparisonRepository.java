package org.evenhand.findings;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ComparisonRepository extends JpaRepository<Comparison, UUID> {
    Optional<Comparison> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Comparison> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(UUID orchardId);

    long countByOrchardId(UUID orchardId);

    /** Nobody else gets a label until the transaction ends. */
    @Query(
            value = "select count(*) from (select pg_advisory_xact_lock(hashtext('comparison' || :orchard))) l",
            nativeQuery = true)
    int lockLabels(String orchard);
}
