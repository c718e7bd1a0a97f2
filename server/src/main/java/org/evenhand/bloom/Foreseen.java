package org.evenhand.bloom;

import org.evenhand.core.bloom.RateLearning;
import org.evenhand.core.bloom.TreeForecast;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.orchard.TreeView;

/**
 * A tree, and its forecast with the reading it starts from where it has been read.
 *
 * @param pace what its variety's readings say about its pace, where there are pairs of readings
 */
public record Foreseen(TreeView tree, CropSheet sheet, TreeForecast forecast, ReadingView reading, RateLearning pace) {
    public boolean known() {
        return forecast != null;
    }
}
