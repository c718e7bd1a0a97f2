/**
 * The rules of hand pollination and nothing else: no web, no database, no clock of its own.
 *
 * <p>One package per step of the job ({@code crop, orchard, weather, bloom, pollen, mating, round, fruitset, findings}). Time is
 * handed in, never read. Every value checks itself when it is made; what is wrong is told by {@link
 * org.evenhand.core.InvalidInputException}, which names the field, the value, what is allowed and what to do.
 *
 * <p>Units used everywhere unless a name says otherwise: degrees Celsius, hours, whole flowers, whole doses, metres. No
 * parameter may be null; what may be absent is an {@link java.util.Optional}.
 *
 * <p>Prefixes: {@code of} checks and builds, {@code with} copies, {@code at} fixes a moment, {@code estimate} is uncertain.
 */
@NullMarked
package org.evenhand.core;

import org.jspecify.annotations.NullMarked;
