package org.evenhand.fruitset;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FruitCheckRepository extends JpaRepository<FruitCheck, UUID> {
    Optional<FruitCheck> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<FruitCheck> findByOrchardIdAndPollinationIdInAndVoidedAtIsNullOrderByCheckedAt(
            UUID orchardId, Collection<UUID> pollinationIds);

    boolean existsByOrchardIdAndPollinationIdAndVoidedAtIsNull(UUID orchardId, UUID pollinationId);
}

interface LimbCountRepository extends JpaRepository<LimbCount, UUID> {
    Optional<LimbCount> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<LimbCount> findByOrchardIdAndCountedAtAfterAndVoidedAtIsNullOrderByCountedAt(UUID orchardId, Instant after);

    @Query(
            "select c from LimbCount c where c.orchardId = :orchardId and c.treeId = :treeId and lower(c.limb) = lower(:limb)"
                    + " and c.voidedAt is null order by c.countedAt desc limit 1")
    Optional<LimbCount> latest(UUID orchardId, UUID treeId, String limb);

    @Query(
            "select c from LimbCount c where c.orchardId = :orchardId and c.treeId = :treeId and lower(c.limb) = lower(:limb)"
                    + " and c.countedAt > :after and c.voidedAt is null order by c.countedAt")
    List<LimbCount> ofLimb(UUID orchardId, UUID treeId, String limb, Instant after);
}

interface FruitRepository extends JpaRepository<Fruit, UUID> {
    Optional<Fruit> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Fruit> findByOrchardIdAndYearAndVoidedAtIsNull(UUID orchardId, int year);

    Optional<Fruit> findByOrchardIdAndYearAndNumberAndVoidedAtIsNull(UUID orchardId, int year, Integer number);
}
