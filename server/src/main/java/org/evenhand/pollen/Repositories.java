package org.evenhand.pollen;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PollenLotRepository extends JpaRepository<PollenLot, UUID> {
    Optional<PollenLot> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<PollenLot> findByOrchardIdOrderByCollectedAtDesc(UUID orchardId);

    Optional<PollenLot> findByOrchardIdAndCodeIgnoreCaseAndVoidedAtIsNull(UUID orchardId, String code);

    long countByOrchardIdAndCodeStartingWith(UUID orchardId, String prefix);

    /** One new code at a time in an orchard, so that no two jars get the same; held until the transaction ends. */
    @Query(
            value = "select pg_advisory_xact_lock(hashtextextended(cast(:orchardId as text), 7)) is null",
            nativeQuery = true)
    Boolean lockCodes(UUID orchardId);
}

interface PollenEntryRepository extends JpaRepository<PollenEntry, Long> {
    Optional<PollenEntry> findByKeyAndLotId(UUID key, UUID lotId);

    boolean existsByUndoes(Long undoes);

    List<PollenEntry> findByLotIdOrderByIdDesc(UUID lotId);
}

interface PollenStepRepository extends JpaRepository<PollenStep, UUID> {
    Optional<PollenStep> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<PollenStep> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}

interface PollenTestRepository extends JpaRepository<PollenTest, UUID> {
    Optional<PollenTest> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<PollenTest> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
