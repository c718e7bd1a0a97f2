package org.evenhand.photo;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface RecordPhotoRepository extends RecordRepository<RecordPhoto> {
    @Override
    default String noun() {
        return "picture";
    }

    /** What is known of a picture without its bytes. */
    interface Shown {
        UUID getId();

        UUID getTreeId();

        String getStage();

        java.time.Instant getTakenAt();
    }

    /** Pictures of a stage on trees of a variety, the latest first. */
    @Query("""
            select p.id as id, p.treeId as treeId, p.stage as stage, p.takenAt as takenAt from RecordPhoto p
            where p.orchardId = :orchard and p.treeId in :trees and p.stage is not null and p.voidedAt is null
            order by p.takenAt desc, p.id""")
    List<Shown> ofStages(UUID orchard, List<UUID> trees);
}
