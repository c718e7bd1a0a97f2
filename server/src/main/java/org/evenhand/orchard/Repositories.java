package org.evenhand.orchard;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface OrchardRepository extends JpaRepository<Orchard, UUID> {}

interface VarietyRepository extends JpaRepository<Variety, UUID> {
    Optional<Variety> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Variety> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}

interface TreeRepository extends JpaRepository<Tree, UUID> {
    Optional<Tree> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Tree> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}

interface BlockNoteRepository extends JpaRepository<BlockNote, UUID> {
    Optional<BlockNote> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<BlockNote> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
