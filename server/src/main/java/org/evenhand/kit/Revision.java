package org.evenhand.kit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.RevisionEntity;
import org.hibernate.envers.RevisionListener;
import org.hibernate.envers.RevisionNumber;
import org.hibernate.envers.RevisionTimestamp;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;

/** One change in the history: when, and by whom. */
@Entity
@Table(name = "revision")
@RevisionEntity(Revision.Stamp.class)
public class Revision {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "revision")
    @SequenceGenerator(name = "revision", sequenceName = "revision_seq", allocationSize = 50)
    @RevisionNumber
    private long id;

    @RevisionTimestamp
    @Column(name = "at")
    private Instant at;

    private UUID accountId;

    /** Its number; of two processes the later one may have the smaller, so that only {@link #at} says which came first. */
    public long number() {
        return id;
    }

    public Instant at() {
        return at;
    }

    /** Who made it; null where the application itself did. */
    public UUID accountId() {
        return accountId;
    }

    /** Writes down who made the change; nobody when the application itself did. */
    public static class Stamp implements RevisionListener {
        @Override
        public void newRevision(Object revision) {
            Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
            if (authentication != null && authentication.getPrincipal() instanceof Caller caller) {
                ((Revision) revision).accountId = caller.accountId();
            }
        }
    }
}
