package org.evenhand.orchard;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class Variety extends OrchardRecord {
    private String crop;
    private String name;
    private String alleles = "";
    private Integer ploidy;
    private UUID motherId;
    private UUID fatherId;
    private UUID sportOfId;
    private Integer raisedIn;
    private boolean smallFlowered;
    private Double figRightFromMm;
    private Double figLateFromMm;
    private Double ownPollen;
    private Double setShare;
    private Double seedsPerFruit;
    private Double chillPortions;
    private Double dosesPerFlower;
    private Double developmentRate;
    private String numbersSource = "";

    Variety(UUID id, Caller caller, Instant now, ZoneId zone, String crop, String name) {
        super(id, caller, now, zone);
        this.crop = crop;
        this.name = name;
    }

    void rename(String newName) {
        this.name = newName;
    }

    void change(Breeding b) {
        this.alleles = b.alleles();
        this.ploidy = b.ploidy();
        this.motherId = b.motherId();
        this.fatherId = b.fatherId();
        this.sportOfId = b.sportOfId();
        this.raisedIn = b.raisedIn();
        this.smallFlowered = Boolean.TRUE.equals(b.smallFlowered());
        this.figRightFromMm = b.figRightFromMm();
        this.figLateFromMm = b.figLateFromMm();
    }

    void change(VarietyNumbers n) {
        this.ownPollen = n.ownPollen();
        this.setShare = n.setShare();
        this.seedsPerFruit = n.seedsPerFruit();
        this.chillPortions = n.chillPortions();
        this.dosesPerFlower = n.dosesPerFlower();
        this.developmentRate = n.developmentRate();
        this.numbersSource = n.source();
    }

    VarietyNumbers numbers() {
        return new VarietyNumbers(
                ownPollen, setShare, seedsPerFruit, chillPortions, dosesPerFlower, developmentRate, numbersSource);
    }

    Breeding breeding() {
        return new Breeding(
                alleles, ploidy, motherId, fatherId, sportOfId, raisedIn, smallFlowered, figRightFromMm, figLateFromMm);
    }

    VarietyView view() {
        return new VarietyView(id(), crop, name, breeding(), numbers(), version());
    }
}
