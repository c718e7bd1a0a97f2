package org.evenhand.pollen;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PollenLotRepository extends JpaRepository<PollenLot, UUID> {
    Optional<PollenLot> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<PollenLot> findByOrchardIdAndVoidedAtIsNullOrderByCollectedAtDesc(UUID orchardId);

    long countByOrchardIdAndCodeStartingWith(UUID orchardId, String prefix);

    /**
     * Takes doses out of a jar, or none at all. One statement: of two people at once the second waits for the first and then sees
     * what is left.
     *
     * @return 1 when the doses were there, else 0
     */
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update PollenLot l set l.dosesLeft = l.dosesLeft - :doses"
            + " where l.id = :id and l.orchardId = :orchardId and l.voidedAt is null and l.dosesLeft >= :doses")
    int draw(UUID id, UUID orchardId, int doses);

    /** Puts doses back that had been drawn. */
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update PollenLot l set l.dosesLeft = l.dosesLeft + :doses where l.id = :id and l.orchardId = :orchardId")
    int giveBack(UUID id, UUID orchardId, int doses);

    /** One new code at a time in an orchard, so that no two jars get the same; held until the transaction ends. */
    @Query(
            value = "select pg_advisory_xact_lock(hashtextextended(cast(:orchardId as text), 7)) is null",
            nativeQuery = true)
    Boolean lockCodes(UUID orchardId);
}

interface PollenEntryRepository extends JpaRepository<PollenEntry, Long> {}
