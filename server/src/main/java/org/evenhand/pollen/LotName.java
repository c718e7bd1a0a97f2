package org.evenhand.pollen;

import java.util.List;
import java.util.UUID;

/**
 * What a jar is called, for records that name one.
 *
 * @param varietyName name of its father, or of all its fathers
 * @param fathers the varieties whose pollen it holds
 */
public record LotName(UUID id, String code, String varietyName, List<UUID> fathers) {}
