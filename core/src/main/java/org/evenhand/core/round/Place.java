package org.evenhand.core.round;

/**
 * Where a tree stands.
 *
 * @param block name of the block, may be empty
 * @param row number of the row in the block
 * @param position number of the tree in the row
 */
public record Place(String block, int row, int position) {}
