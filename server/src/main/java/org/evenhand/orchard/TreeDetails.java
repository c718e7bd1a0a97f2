package org.evenhand.orchard;

import java.time.LocalDate;
import java.util.UUID;

/** What is known of a tree; {@code plantedOn} is null where nobody knows. */
record TreeDetails(UUID varietyId, String name, String block, int row, int position, LocalDate plantedOn) {}
