package org.evenhand.permit;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.core.permit.PermitScope;
import org.evenhand.core.permit.PermitTerm;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

/** A permit as it was given. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Permit extends OrchardRecord {
    private String number;
    private String authority;
    private String crop;
    private boolean forFlowers;
    private boolean forPollenIn;
    private boolean forPollenOut;
    private LocalDate validFrom;
    private LocalDate validUntil;
    private String conditions;
    private String fileName;

    @NotAudited
    private byte[] pdf;

    Permit(UUID id, Caller caller, Instant now, ZoneId zone) {
        super(id, caller, now, zone);
    }

    void change(PermitRequest request, PermitTerm term, String conditions) {
        this.number = request.number().strip();
        this.authority = request.authority().strip();
        this.crop = term.crop().orElse(null);
        this.forFlowers = term.scopes().contains(PermitScope.FLOWERS);
        this.forPollenIn = term.scopes().contains(PermitScope.POLLEN_IN);
        this.forPollenOut = term.scopes().contains(PermitScope.POLLEN_OUT);
        this.validFrom = term.from();
        this.validUntil = term.until().orElse(null);
        this.conditions = conditions;
    }

    /** Its paper, in place of the one that was there; none takes it away. */
    void paper(String name, byte[] bytes) {
        this.fileName = name;
        this.pdf = bytes;
    }

    PermitTerm term() {
        Set<PermitScope> scopes = EnumSet.noneOf(PermitScope.class);
        if (forFlowers) {
            scopes.add(PermitScope.FLOWERS);
        }
        if (forPollenIn) {
            scopes.add(PermitScope.POLLEN_IN);
        }
        if (forPollenOut) {
            scopes.add(PermitScope.POLLEN_OUT);
        }
        return new PermitTerm(scopes, Optional.ofNullable(crop), validFrom, Optional.ofNullable(validUntil));
    }

    byte[] pdf() {
        return pdf == null ? null : pdf.clone();
    }
}
