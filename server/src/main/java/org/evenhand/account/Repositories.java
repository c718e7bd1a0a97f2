package org.evenhand.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface AccountRepository extends JpaRepository<Account, UUID> {
    Optional<Account> findByEmailIgnoreCase(String email);

    @Query("select a from Account a join Membership m on m.accountId = a.id where m.orchardId = :orchardId")
    List<Account> ofOrchard(UUID orchardId);
}

interface MembershipRepository extends JpaRepository<Membership, UUID> {}
