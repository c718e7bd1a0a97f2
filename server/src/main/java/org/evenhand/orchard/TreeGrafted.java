package org.evenhand.orchard;

import java.util.UUID;
import org.evenhand.kit.Caller;

/** A tree was grafted over, and is another from then on, at its place. Listeners work in the same transaction. */
public record TreeGrafted(Caller caller, UUID stock, UUID grafted) {}
