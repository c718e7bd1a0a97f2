package org.evenhand.pollen;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PollenLotRepository extends RecordRepository<PollenLot> {
    @Override
    default String noun() {
        return "jar";
    }

    List<PollenLot> findByOrchardIdOrderByCollectedAtDescIdDesc(UUID orchardId);

    List<PollenLot> findByOrchardIdAndVarietyId(UUID orchardId, UUID varietyId);

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

    boolean existsByKey(UUID key);

    boolean existsByUndoes(Long undoes);

    List<PollenEntry> findByLotIdOrderByIdDesc(UUID lotId);

    boolean existsByLotIdAndPollinationId(UUID lotId, UUID pollinationId);

    /** Doses that a pollination has of a jar: drawn, less what was put back. */
    @Query("select cast(coalesce(-sum(e.change), 0) as integer) from PollenEntry e"
            + " where e.lotId = :lotId and e.pollinationId = :pollinationId")
    int drawn(UUID lotId, UUID pollinationId);
}

interface PollenStepRepository extends RecordRepository<PollenStep> {
    @Override
    default String noun() {
        return "step";
    }

    List<PollenStep> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}

interface PollenTestRepository extends RecordRepository<PollenTest> {
    @Override
    default String noun() {
        return "test";
    }

    List<PollenTest> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
