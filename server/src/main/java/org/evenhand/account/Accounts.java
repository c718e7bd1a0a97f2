package org.evenhand.account;

import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes accounts and checks passwords. */
@Service
public class Accounts {
    private static final int SHORTEST_PASSWORD = 10;
    /** bcrypt reads no more than this many bytes. */
    private static final int LONGEST_PASSWORD_BYTES = 72;

    /** Languages with the customs of a country for dates and numbers, as BCP 47 writes them. */
    static final List<String> LOCALES = List.of("en-GB", "en-US", "es-ES", "es-MX");

    private final AccountRepository accounts;
    private final MembershipRepository memberships;
    private final PasswordEncoder passwords;
    private final InstantSource clock;
    private final String hashOfNobody;

    Accounts(
            AccountRepository accounts,
            MembershipRepository memberships,
            PasswordEncoder passwords,
            InstantSource clock) {
        this.accounts = accounts;
        this.memberships = memberships;
        this.passwords = passwords;
        this.clock = clock;
        this.hashOfNobody = passwords.encode("nobody has this password");
    }

    @Transactional(readOnly = true)
    public boolean none() {
        return accounts.count() == 0;
    }

    /** Names of those who work in the caller's orchard. */
    @Transactional(readOnly = true)
    public Map<UUID, String> names(Caller caller) {
        return accounts.ofOrchard(caller.orchardId()).stream().collect(Collectors.toMap(Account::id, Account::name));
    }

    /** The language that the caller chose. */
    @Transactional(readOnly = true)
    public Optional<String> locale(Caller caller) {
        return accounts.findById(caller.accountId()).map(Account::locale);
    }

    /** @param locale one of {@link #LOCALES} */
    @Transactional
    public void speak(Caller caller, String locale) {
        if (!LOCALES.contains(Given.required("locale", locale))) {
            throw new InvalidInputException(
                    "locale", "is '" + locale + "'; there are " + String.join(", ", LOCALES) + ".");
        }
        accounts.findById(caller.accountId()).orElseThrow().speak(locale);
    }

    /** Makes an account that works in an orchard. */
    @Transactional
    public Caller create(UUID orchardId, Caller.Role role, String email, String name, String password) {
        String address = email(email);
        if (accounts.findByEmailIgnoreCase(address).isPresent()) {
            throw new InvalidInputException("email", "'" + address + "' already has an account; sign in instead.");
        }
        Account account = new Account(
                UUID.randomUUID(), address, Given.text("person", name, 80), hash(password), clock.instant());
        accounts.save(account);
        memberships.save(new Membership(account.id(), orchardId, role));
        return new Caller(account.id(), orchardId, account.name(), role);
    }

    /** The caller behind an address and a password, if they fit. Takes as long for an unknown address as for a wrong password. */
    @Transactional(readOnly = true)
    public Optional<Caller> check(String email, String password) {
        Optional<Account> account = accounts.findByEmailIgnoreCase(email == null ? "" : email.strip());
        String hash = account.map(Account::passwordHash).orElse(hashOfNobody);
        boolean fits = passwords.matches(password == null ? "" : password, hash);
        if (account.isEmpty() || !fits) {
            return Optional.empty();
        }
        Account found = account.get();
        return memberships.findById(found.id()).map(m -> new Caller(found.id(), m.orchardId(), found.name(), m.role()));
    }

    private static String email(String email) {
        String address = Given.text("email", email, 200);
        if (!address.matches("[^@\\s]+@[^@\\s]+")) {
            throw new InvalidInputException("email", "'" + address + "' is not an e-mail address.");
        }
        return address;
    }

    private String hash(String password) {
        String given = Given.required("password", password);
        if (given.length() < SHORTEST_PASSWORD) {
            throw new InvalidInputException(
                    "password",
                    "has " + given.length() + " characters; please take at least " + SHORTEST_PASSWORD
                            + ", three or four words do well.");
        }
        if (given.getBytes(java.nio.charset.StandardCharsets.UTF_8).length > LONGEST_PASSWORD_BYTES) {
            throw new InvalidInputException(
                    "password", "is longer than " + LONGEST_PASSWORD_BYTES + " bytes; please shorten it.");
        }
        return passwords.encode(given);
    }
}
