package org.evenhand.kit;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.NoRepositoryBean;

/** Records of one kind. Every way to one leads through its orchard; another orchard's record is not there. */
@NoRepositoryBean
public interface RecordRepository<E extends OrchardRecord> extends JpaRepository<E, UUID> {

    /** What people call such a record, as in "there is no such reading". */
    String noun();

    Optional<E> findByIdAndOrchardId(UUID id, UUID orchardId);

    /** As {@link #findByIdAndOrchardId}, held until the transaction ends: who else wants to change it waits, and then sees the change. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<E> findHeldByIdAndOrchardId(UUID id, UUID orchardId);

    /** A record of the caller's orchard, removed or not. */
    default Optional<E> find(Caller caller, UUID id) {
        return findByIdAndOrchardId(id, caller.orchardId());
    }

    /**
     * A record of the caller's orchard, removed or not.
     *
     * @throws NotFoundException where there is none
     */
    default E require(Caller caller, UUID id) {
        return find(caller, id).orElseThrow(() -> new NotFoundException(noun(), id));
    }

    /**
     * A record of the caller's orchard that was not removed.
     *
     * @throws NotFoundException where there is none
     */
    default E current(Caller caller, UUID id) {
        return find(caller, id).filter(r -> !r.voided()).orElseThrow(() -> new NotFoundException(noun(), id));
    }

    /** Removes a record with its reason, in the caller's transaction. */
    default Optional<E> voidOnce(Caller caller, UUID id, VoidRequest request, Instant at) {
        return voidOnce(caller, id, request, at, record -> {});
    }

    /**
     * Removes a record with its reason, in the caller's transaction; one that is removed already stays as it is.
     *
     * @param unless refuses where something hangs on it
     * @return the record, where it was removed just now
     * @throws NotFoundException where there is none
     * @throws NotAllowedException where somebody else wrote it down, and the caller's role leaves that alone
     * @throws ConflictException where it was changed since it was seen
     */
    default Optional<E> voidOnce(Caller caller, UUID id, VoidRequest request, Instant at, Consumer<E> unless) {
        E record = held(caller, id);
        if (record.voided()) {
            return Optional.empty();
        }
        requireMayRemove(caller, record);
        record.requireVersion(noun(), request.version());
        unless.accept(record);
        record.voidBecause(request.reason(), at);
        // What follows in the same transaction may ask the database itself.
        return Optional.of(saveAndFlush(record));
    }

    /**
     * Puts a removed record back, in the caller's transaction; one that was not removed stays as it is.
     *
     * @param unless refuses where it no longer fits what was written since
     * @return the record, where it was restored just now
     * @throws NotFoundException where there is none
     * @throws NotAllowedException where somebody else wrote it down, and the caller's role leaves that alone
     * @throws ConflictException where it was changed since it was seen
     */
    default Optional<E> restoreOnce(Caller caller, UUID id, Long version, Consumer<E> unless) {
        E record = held(caller, id);
        if (!record.voided()) {
            return Optional.empty();
        }
        requireMayRemove(caller, record);
        record.requireVersion(noun(), version);
        unless.accept(record);
        record.restore();
        return Optional.of(saveAndFlush(record));
    }

    /**
     * Corrects a record that is there, in the caller's transaction.
     *
     * @param change refuses what cannot be, else changes it
     * @throws NotFoundException where there is none, or it was removed
     * @throws ConflictException where it was changed since it was seen
     */
    default E correct(Caller caller, UUID id, Long version, Consumer<E> change) {
        E record = current(caller, id);
        record.requireVersion(noun(), version);
        change.accept(record);
        return saveAndFlush(record);
    }

    private static void requireMayRemove(Caller caller, OrchardRecord record) {
        if (!caller.may(Duty.MANAGE) && !record.recordedBy().equals(caller.accountId())) {
            throw NotAllowedException.othersRecord();
        }
    }

    /**
     * As {@link #require}, held until the caller's transaction ends.
     *
     * @throws NotFoundException where there is none
     */
    default E held(Caller caller, UUID id) {
        return findHeldByIdAndOrchardId(id, caller.orchardId()).orElseThrow(() -> new NotFoundException(noun(), id));
    }

    /** Refuses a record that belongs to something else than the address says. */
    default void requirePartOf(UUID owner, UUID given, UUID id) {
        if (!owner.equals(given)) {
            throw new NotFoundException(noun(), id);
        }
    }
}
