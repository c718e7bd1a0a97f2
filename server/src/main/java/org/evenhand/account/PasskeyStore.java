package org.evenhand.account;

import java.nio.ByteBuffer;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.web.webauthn.api.AuthenticatorTransport;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutableCredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCose;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialType;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.stereotype.Component;

/** What is kept of passkeys, and whose they are: an account is known to a passkey by its id only. */
@Component
class PasskeyStore {
    private static final String COLUMNS = "select credential_id, account_id, public_key, signature_count, attestation,"
            + " client_data, uv_initialized, transports, backup_eligible, backup_state, label, made_at, last_used_at"
            + " from passkey ";

    private final JdbcTemplate jdbc;

    PasskeyStore(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    static Bytes bytes(UUID account) {
        return new Bytes(ByteBuffer.allocate(16)
                .putLong(account.getMostSignificantBits())
                .putLong(account.getLeastSignificantBits())
                .array());
    }

    static UUID account(Bytes id) {
        ByteBuffer buffer = ByteBuffer.wrap(id.getBytes());
        return new UUID(buffer.getLong(), buffer.getLong());
    }

    List<CredentialRecord> of(UUID account) {
        return jdbc.query(
                COLUMNS + "where account_id = ? order by made_at, credential_id", (row, i) -> key(row), account);
    }

    /** @return whether it was there */
    boolean remove(UUID account, Bytes credential) {
        return jdbc.update(
                        "delete from passkey where account_id = ? and credential_id = ?",
                        account,
                        credential.getBytes())
                == 1;
    }

    void removeAll(UUID account) {
        jdbc.update("delete from passkey where account_id = ?", account);
    }

    /** The keys, as those who check them want them. */
    final class Keys implements UserCredentialRepository {
        @Override
        public CredentialRecord findByCredentialId(Bytes id) {
            return jdbc
                    .query(COLUMNS + "where credential_id = ?", (row, i) -> key(row), (Object) id.getBytes())
                    .stream()
                    .findFirst()
                    .orElse(null);
        }

        @Override
        public List<CredentialRecord> findByUserId(Bytes user) {
            return of(account(user));
        }

        @Override
        public void save(CredentialRecord key) {
            jdbc.update(
                    "insert into passkey (credential_id, account_id, public_key, signature_count, attestation,"
                            + " client_data, uv_initialized, transports, backup_eligible, backup_state, label, made_at,"
                            + " last_used_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)"
                            + " on conflict (credential_id) do update set signature_count = excluded.signature_count,"
                            + " uv_initialized = excluded.uv_initialized, backup_state = excluded.backup_state,"
                            + " last_used_at = excluded.last_used_at where passkey.account_id = excluded.account_id",
                    key.getCredentialId().getBytes(),
                    account(key.getUserEntityUserId()),
                    key.getPublicKey().getBytes(),
                    key.getSignatureCount(),
                    key.getAttestationObject().getBytes(),
                    key.getAttestationClientDataJSON() == null
                            ? null
                            : key.getAttestationClientDataJSON().getBytes(),
                    key.isUvInitialized(),
                    key.getTransports().stream()
                            .map(AuthenticatorTransport::getValue)
                            .sorted()
                            .collect(Collectors.joining(",")),
                    key.isBackupEligible(),
                    key.isBackupState(),
                    key.getLabel(),
                    at(key.getCreated()),
                    at(key.getLastUsed()));
        }

        @Override
        public void delete(Bytes id) {
            jdbc.update("delete from passkey where credential_id = ?", (Object) id.getBytes());
        }
    }

    /** Whose keys they are; accounts are made and removed elsewhere. */
    final class Owners implements PublicKeyCredentialUserEntityRepository {
        @Override
        public PublicKeyCredentialUserEntity findById(Bytes id) {
            return findByUsername(account(id).toString());
        }

        @Override
        public PublicKeyCredentialUserEntity findByUsername(String accountId) {
            return jdbc
                    .query(
                            "select id, email, name from account where id = ? and email is not null",
                            (row, i) -> ImmutablePublicKeyCredentialUserEntity.builder()
                                    .id(bytes(row.getObject(1, UUID.class)))
                                    .name(row.getString(2))
                                    .displayName(row.getString(3))
                                    .build(),
                            UUID.fromString(accountId))
                    .stream()
                    .findFirst()
                    .orElse(null);
        }

        @Override
        public void save(PublicKeyCredentialUserEntity owner) {
            throw new UnsupportedOperationException("Accounts are made by invitation");
        }

        @Override
        public void delete(Bytes id) {
            throw new UnsupportedOperationException("Accounts stay");
        }
    }

    private static CredentialRecord key(ResultSet row) throws SQLException {
        byte[] clientData = row.getBytes(6);
        return ImmutableCredentialRecord.builder()
                .credentialType(PublicKeyCredentialType.PUBLIC_KEY)
                .credentialId(new Bytes(row.getBytes(1)))
                .userEntityUserId(bytes(row.getObject(2, UUID.class)))
                .publicKey(new ImmutablePublicKeyCose(row.getBytes(3)))
                .signatureCount(row.getLong(4))
                .attestationObject(new Bytes(row.getBytes(5)))
                .attestationClientDataJSON(clientData == null ? null : new Bytes(clientData))
                .uvInitialized(row.getBoolean(7))
                .transports(transports(row.getString(8)))
                .backupEligible(row.getBoolean(9))
                .backupState(row.getBoolean(10))
                .label(row.getString(11))
                .created(row.getObject(12, OffsetDateTime.class).toInstant())
                .lastUsed(row.getObject(13, OffsetDateTime.class).toInstant())
                .build();
    }

    private static Set<AuthenticatorTransport> transports(String kept) {
        return Arrays.stream(kept.split(","))
                .filter(t -> !t.isEmpty())
                .map(AuthenticatorTransport::valueOf)
                .collect(Collectors.toSet());
    }

    private static OffsetDateTime at(Instant instant) {
        return instant.atOffset(ZoneOffset.UTC);
    }
}
