package org.evenhand.fruitset;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface FruitCheckRepository extends RecordRepository<FruitCheck> {
    @Override
    default String noun() {
        return "check";
    }

    List<FruitCheck> findByOrchardIdAndPollinationIdInAndVoidedAtIsNullOrderByCheckedAtAscIdAsc(
            UUID orchardId, Collection<UUID> pollinationIds);

    boolean existsByOrchardIdAndPollinationIdAndVoidedAtIsNull(UUID orchardId, UUID pollinationId);
}

interface LimbCountRepository extends RecordRepository<LimbCount> {
    @Override
    default String noun() {
        return "count";
    }

    List<LimbCount> findByOrchardIdAndCountedAtAfterAndVoidedAtIsNullOrderByCountedAtAscIdAsc(
            UUID orchardId, Instant after);

    @Query(
            "select c from LimbCount c where c.orchardId = :orchardId and c.treeId = :treeId and lower(c.limb) = lower(:limb)"
                    + " and c.voidedAt is null order by c.countedAt desc limit 1")
    Optional<LimbCount> latest(UUID orchardId, UUID treeId, String limb);

    @Query(
            "select c from LimbCount c where c.orchardId = :orchardId and c.treeId = :treeId and lower(c.limb) = lower(:limb)"
                    + " and c.countedAt > :after and c.voidedAt is null order by c.countedAt")
    List<LimbCount> ofLimb(UUID orchardId, UUID treeId, String limb, Instant after);
}

interface FruitRepository extends RecordRepository<Fruit> {
    @Override
    default String noun() {
        return "fruit";
    }

    @Query(
            "select f from Fruit f where f.orchardId = :orchardId and f.voidedAt is null and (f.year = :year or f.ended is null)")
    List<Fruit> ofSeasonOrHanging(UUID orchardId, int year);

    List<Fruit> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);

    @Query(
            "select f from Fruit f where f.orchardId = :orchardId and f.voidedAt is null and f.year >= :since and f.seeds > 0"
                    + " and f.ended = org.evenhand.fruitset.FruitEnd.Kind.HARVESTED order by f.endedAt, f.id")
    List<Fruit> harvestedWithSeeds(UUID orchardId, int since);

    List<Fruit> findByOrchardIdAndPollinationIdInAndVoidedAtIsNull(UUID orchardId, Collection<UUID> pollinationIds);

    Optional<Fruit> findByOrchardIdAndYearAndNumberAndVoidedAtIsNull(UUID orchardId, int year, Integer number);
}
