package org.evenhand.round;

import java.time.Instant;
import org.evenhand.core.round.FreeHours;

/** A round of the plan, with its hour. */
record PlanSlot(FreeHours.Stretch free, Instant at, String why, int most) {}
