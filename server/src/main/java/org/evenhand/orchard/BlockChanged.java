package org.evenhand.orchard;

import java.util.UUID;

/** What is known of a block of an orchard has changed. */
public record BlockChanged(UUID orchardId) {}
