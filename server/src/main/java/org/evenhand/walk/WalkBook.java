package org.evenhand.walk;

import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.pollination.WalkRecords;
import org.springframework.stereotype.Component;

@Component
class WalkBook implements WalkRecords {
    private final WalkRepository walks;

    WalkBook(WalkRepository walks) {
        this.walks = walks;
    }

    @Override
    public void require(Caller caller, UUID walkId) {
        walks.require(caller, walkId);
    }
}
