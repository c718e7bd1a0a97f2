package org.evenhand.account;

import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes accounts and checks passwords. */
@Service
public class Accounts {
    private static final int LONGEST_NAME = 80;
    static final int LONGEST_EMAIL = 200;

    /** Any number: whoever makes the first account holds it until it is there, and others find it. */
    private static final long FIRST_ACCOUNT_LOCK = 730_118;

    /** Languages with the customs of a country for dates and numbers, as BCP 47 writes them. */
    static final List<String> LOCALES = List.of("en-GB", "en-US", "es-ES", "es-MX");

    private final AccountRepository accounts;
    private final MembershipRepository memberships;
    private final PasswordEncoder passwords;
    private final JdbcTemplate jdbc;
    private final InstantSource clock;
    private final PasswordRules rules = new PasswordRules();
    private final String hashOfNobody;

    Accounts(
            AccountRepository accounts,
            MembershipRepository memberships,
            PasswordEncoder passwords,
            JdbcTemplate jdbc,
            InstantSource clock) {
        this.accounts = accounts;
        this.memberships = memberships;
        this.passwords = passwords;
        this.jdbc = jdbc;
        this.clock = clock;
        this.hashOfNobody = passwords.encode("nobody has this password");
    }

    @Transactional(readOnly = true)
    public boolean none() {
        return accounts.count() == 0;
    }

    /** As {@link #none}, in the caller's transaction: who else asks waits until it ends, and then finds what it made. */
    boolean noneAndNobodyElseAsks() {
        jdbc.query("select pg_advisory_xact_lock(?)", row -> {}, FIRST_ACCOUNT_LOCK);
        return accounts.count() == 0;
    }

    /** Names of those who work in the caller's orchard, or did. */
    @Transactional(readOnly = true)
    public Map<UUID, String> names(Caller caller) {
        return accounts.ofOrchard(caller.orchardId()).stream().collect(Collectors.toMap(Account::id, Account::name));
    }

    Map<UUID, Account> ofOrchard(Caller caller) {
        return accounts.ofOrchard(caller.orchardId()).stream()
                .collect(Collectors.toMap(Account::id, Function.identity()));
    }

    /**
     * What an account says of itself.
     *
     * @param locale the language that was chosen; null until then
     */
    record Own(String person, String email, String locale) {}

    @Transactional(readOnly = true)
    public Own own(Caller caller) {
        Account account = require(caller.accountId());
        return new Own(account.name(), account.email(), account.locale());
    }

    Account require(UUID id) {
        return accounts.findById(id).orElseThrow();
    }

    /** @param locale one of {@link #LOCALES} */
    @Transactional
    public void speak(Caller caller, String locale) {
        if (!LOCALES.contains(Given.required("locale", locale))) {
            throw new InvalidInputException(
                    "locale", "is '" + locale + "'; there are " + String.join(", ", LOCALES) + ".");
        }
        require(caller.accountId()).speak(locale);
    }

    /** Makes an account that works in an orchard. */
    @Transactional
    public Caller create(UUID orchardId, Caller.Role role, String email, String name, String password) {
        Account account = create(email, name, password);
        memberships.save(new Membership(account.id(), orchardId, role, clock.instant()));
        return new Caller(account.id(), orchardId, account.name(), role);
    }

    /** Makes an account the owner of an orchard, in the caller's transaction. */
    void own(UUID accountId, UUID orchardId) {
        memberships.save(new Membership(accountId, orchardId, Caller.Role.OWNER, clock.instant()));
    }

    Account create(String email, String name, String password) {
        String address = email(email);
        if (accounts.findByEmailIgnoreCase(address).isPresent()) {
            throw new InvalidInputException("email", "'" + address + "' already has an account; sign in instead.");
        }
        String person = Given.text("person", name, LONGEST_NAME);
        String hash = passwords.encode(rules.require("password", password, about(person, address)));
        return accounts.saveAndFlush(new Account(UUID.randomUUID(), address, person, hash, clock.instant()));
    }

    /** The account of an address; none for one that nobody signs in with. */
    @Transactional(readOnly = true)
    public Optional<UUID> of(String email) {
        return accounts.findByEmailIgnoreCase(email.strip()).map(Account::id);
    }

    /** Who an address and a password belong to, if they fit. Takes as long for an unknown address as for a wrong password. */
    @Transactional(readOnly = true)
    public Optional<UUID> check(String email, String password) {
        Optional<Account> account = accounts.findByEmailIgnoreCase(email.strip());
        boolean fits =
                passwords.matches(password, account.map(Account::passwordHash).orElse(hashOfNobody));
        return account.filter(a -> fits).map(Account::id);
    }

    /** Changes one's own password; all sessions end. */
    @Transactional
    public void changePassword(Caller caller, String now, String next) {
        Account account = require(caller.accountId());
        if (!passwords.matches(now, account.passwordHash())) {
            throw new InvalidInputException("now", "is not your password. Capital letters count.");
        }
        setPassword(account, "next", next);
    }

    void setPassword(Account account, String field, String password) {
        account.changePassword(
                passwords.encode(rules.require(field, password, about(account.name(), account.email()))));
    }

    @Transactional
    public void rename(Caller caller, String name) {
        require(caller.accountId()).rename(Given.text("person", name, LONGEST_NAME));
    }

    /** What somebody who knows the person would try first. */
    private static List<String> about(String person, String email) {
        return List.of(person, email, email.substring(0, email.indexOf('@')), "even hand");
    }

    private static String email(String email) {
        String address = Given.text("email", email, LONGEST_EMAIL);
        if (!address.matches("[^@\\s\\p{Cntrl}]+@[^@\\s\\p{Cntrl}]+")) {
            throw new InvalidInputException("email", "'" + address + "' is not an e-mail address.");
        }
        return address;
    }
}
