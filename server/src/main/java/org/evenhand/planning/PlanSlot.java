package org.evenhand.planning;

import java.time.Instant;
import org.evenhand.core.planning.FreeHours;

/** A round of the plan, with its hour. */
record PlanSlot(FreeHours.Stretch free, Instant at, String why, int most) {}
