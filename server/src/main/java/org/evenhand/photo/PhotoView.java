package org.evenhand.photo;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;

/** A picture of a stage. */
@Schema(name = "StagePhoto")
record PhotoView(UUID id, UUID treeId, String tree, String stage, Instant takenAt) {}
