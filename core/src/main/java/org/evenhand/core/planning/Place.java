package org.evenhand.core.planning;

/**
 * Where a tree stands.
 *
 * @param block name of the block, may be empty
 * @param row number of the row in the block
 * @param position number of the tree in the row
 */
public record Place(String block, int row, int position) {
    private static final long ALONG_THE_ROW = 2;
    private static final long ACROSS_ROWS = 3;
    private static final long TO_ANOTHER_BLOCK = 10_000;

    /**
     * How far it is to another tree, in half places of a row. Rows are taken to stand half as far again apart as the trees in them, and
     * any block to be farther than any row: our convention, as nobody measures an orchard's paths.
     */
    public long stepsTo(Place other) {
        return block.equals(other.block)
                ? ALONG_THE_ROW * Math.abs((long) position - other.position)
                        + ACROSS_ROWS * Math.abs((long) row - other.row)
                : TO_ANOTHER_BLOCK;
    }
}
