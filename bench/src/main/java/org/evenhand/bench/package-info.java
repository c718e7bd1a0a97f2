/**
 * Measurements. {@link org.evenhand.bench.Bench} is the command {@code even-hand bench}; every number is printed as a ratio to
 * something measured in the same run.
 */
package org.evenhand.bench;
