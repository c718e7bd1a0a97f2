package org.evenhand.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;

@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
class Account {
    @Id
    private UUID id;

    private String email;
    private String name;
    private String passwordHash;
    private Instant createdAt;
    private String locale;
    private int sessionEpoch;

    Account(UUID id, String email, String name, String passwordHash, Instant createdAt) {
        this.id = id;
        this.email = email;
        this.name = name;
        this.passwordHash = passwordHash;
        this.createdAt = createdAt;
    }

    /** Its address; null of those who only wrote records on another machine. */
    String email() {
        return email;
    }

    /** The language that was chosen, as BCP 47 writes it; null until then. */
    String locale() {
        return locale;
    }

    void speak(String newLocale) {
        this.locale = newLocale;
    }

    /** Sessions that began under a lower number have ended. */
    int sessionEpoch() {
        return sessionEpoch;
    }

    /** Changes the password; every session that is open ends. */
    void changePassword(String hash) {
        this.passwordHash = hash;
        this.sessionEpoch++;
    }

    void rename(String newName) {
        this.name = newName;
    }
}
