package org.evenhand.core.crop;

/**
 * A day on which to look for fruit set.
 *
 * @param day whole days after pollination
 * @param name what kind of look it is
 * @param lookFor what tells taken from failed
 */
public record CheckDay(Sourced day, String name, String lookFor) {
    public int days() {
        return (int) day.value();
    }
}
