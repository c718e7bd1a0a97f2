package org.evenhand.map;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** Where a tree stands. A new one takes the place of those before; withdrawn, the one before counts again. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class TreeSpot extends OrchardRecord {
    private UUID treeId;
    private double latitude;
    private double longitude;

    @Column(name = "accuracy_m")
    private Double accuracyM;

    @Enumerated(EnumType.STRING)
    private TreeSpotRequest.How how;

    TreeSpot(UUID id, Caller caller, Instant now, ZoneId zone, TreeSpotRequest request) {
        super(id, caller, now, zone);
        this.treeId = request.treeId();
        this.latitude = request.latitude();
        this.longitude = request.longitude();
        this.accuracyM = request.accuracyM();
        this.how = request.how();
    }

    UUID treeId() {
        return treeId;
    }

    MapView.Measured view() {
        return new MapView.Measured(id(), latitude, longitude, accuracyM, how, version());
    }
}
