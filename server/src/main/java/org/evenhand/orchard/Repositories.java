package org.evenhand.orchard;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.JpaRepository;

interface OrchardRepository extends JpaRepository<Orchard, UUID> {}

interface VarietyRepository extends RecordRepository<Variety> {
    @Override
    default String noun() {
        return "variety";
    }

    List<Variety> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}

interface TreeRepository extends RecordRepository<Tree> {
    @Override
    default String noun() {
        return "tree";
    }

    List<Tree> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}

interface BlockNoteRepository extends RecordRepository<BlockNote> {
    @Override
    default String noun() {
        return "block";
    }

    List<BlockNote> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
