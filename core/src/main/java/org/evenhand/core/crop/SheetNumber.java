package org.evenhand.core.crop;

/**
 * A number of a sheet that an orchard may change for itself.
 *
 * @param path where it stands, for example {@code stages[1].meanHours}
 * @param number the number as it is now
 * @param shipped the number as shipped
 * @param low least allowed
 * @param high most allowed
 * @param whole whether it must be a whole number
 */
public record SheetNumber(String path, Sourced number, Sourced shipped, double low, double high, boolean whole) {
    public boolean changed() {
        return number.basis() == Basis.OWN;
    }
}
