package org.evenhand.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.PublicAddress;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.web.webauthn.api.AuthenticatorAssertionResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorAttestationResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.PublicKeyCredential;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.jackson.WebauthnJacksonModule;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialCreationOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialRequestOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutableRelyingPartyRegistrationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyAuthenticationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyPublicKey;
import org.springframework.security.web.webauthn.management.WebAuthnRelyingPartyOperations;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Signing in with a passkey: a key on the phone or computer, opened by finger, face or its own code. It belongs to the name of the machine,
 * so that a page of another name never gets it; to a mere number of the network there are none.
 */
@Service
public class Passkeys {
    private static final String FIELD = "credential";
    private static final String MAKING = "passkey-making";
    private static final String ASKING = "passkey-asking";
    private static final String THIS_MACHINE = "localhost";
    private static final int LONGEST_LABEL = 80;

    private final JsonMapper json =
            JsonMapper.builder().addModule(new WebauthnJacksonModule()).build();
    private final PasskeyStore store;
    private final PublicAddress address;

    Passkeys(PasskeyStore store, PublicAddress address) {
        this.store = store;
        this.address = address;
    }

    /** The name that passkeys belong to: that of the public address where it is a name, else this machine itself. */
    public String host() {
        return named().map(URI::getHost).orElse(THIS_MACHINE);
    }

    private Optional<URI> named() {
        return address.given().map(URI::create).filter(a -> !a.getHost().matches("[0-9.]+|\\[.*]"));
    }

    /** The port and not the Host header: only the first cannot be made up by who sends. */
    private WebAuthnRelyingPartyOperations checks(HttpServletRequest request) {
        String origin = named().map(Passkeys::origin)
                .orElseGet(() ->
                        (request.isSecure() ? "https://" : "http://") + THIS_MACHINE + ":" + request.getLocalPort());
        Webauthn4JRelyingPartyOperations checks = new Webauthn4JRelyingPartyOperations(
                store.new Owners(),
                store.new Keys(),
                PublicKeyCredentialRpEntity.builder()
                        .id(host())
                        .name("Even Hand")
                        .build(),
                Set.of(origin));
        // A passkey stands for the password and the code: whoever has the device must show as well that it is theirs.
        checks.setCustomizeCreationOptions(o -> o.authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                .residentKey(ResidentKeyRequirement.REQUIRED)
                .userVerification(UserVerificationRequirement.REQUIRED)
                .build()));
        checks.setCustomizeRequestOptions(o -> o.userVerification(UserVerificationRequirement.REQUIRED));
        return checks;
    }

    /** The origin of an address, as browsers write it. */
    private static String origin(URI address) {
        String port = address.getPort() < 0 ? "" : ":" + address.getPort();
        return address.getScheme() + "://" + address.getHost() + port;
    }

    @Transactional(readOnly = true)
    public List<AccountView.Passkey> of(UUID account) {
        return store.of(account).stream()
                .map(k -> new AccountView.Passkey(
                        k.getCredentialId().toBase64UrlString(), k.getLabel(), k.getCreated(), k.getLastUsed()))
                .toList();
    }

    /** What a browser wants to know to make one, as JSON. */
    @Transactional(readOnly = true)
    public String begin(Caller caller, HttpServletRequest request) {
        var who = UsernamePasswordAuthenticationToken.authenticated(
                caller.accountId().toString(), null, List.of());
        PublicKeyCredentialCreationOptions options = checks(request)
                .createPublicKeyCredentialCreationOptions(new ImmutablePublicKeyCredentialCreationOptionsRequest(who));
        request.getSession(true).setAttribute(MAKING, options);
        return json.writeValueAsString(options);
    }

    /**
     * Keeps a passkey that a browser made.
     *
     * @throws InvalidInputException where it was not made for this page, or nobody asked for it
     */
    @Transactional
    public void keep(String label, String credential, HttpServletRequest request) {
        String name = Given.text("label", label, LONGEST_LABEL);
        PublicKeyCredentialCreationOptions options = asked(request, MAKING, PublicKeyCredentialCreationOptions.class);
        PublicKeyCredential<AuthenticatorAttestationResponse> made =
                read(credential, new TypeReference<PublicKeyCredential<AuthenticatorAttestationResponse>>() {});
        accepted(() -> checks(request)
                .registerCredential(
                        new ImmutableRelyingPartyRegistrationRequest(options, new RelyingPartyPublicKey(made, name))));
    }

    @Transactional
    public void remove(Caller caller, String id) {
        Bytes credential;
        try {
            credential = Bytes.fromBase64(id);
        } catch (IllegalArgumentException e) {
            throw new NotFoundException("passkey");
        }
        if (!store.remove(caller.accountId(), credential)) {
            throw new NotFoundException("passkey");
        }
    }

    /** What a browser wants to know to ask for one, as JSON. */
    public String ask(HttpServletRequest request) {
        PublicKeyCredentialRequestOptions options = checks(request)
                .createCredentialRequestOptions(new ImmutablePublicKeyCredentialRequestOptionsRequest(null));
        request.getSession(true).setAttribute(ASKING, options);
        return json.writeValueAsString(options);
    }

    /**
     * Whose passkey answered.
     *
     * @throws InvalidInputException where it is nobody's, or answers something else than it was asked
     */
    @Transactional
    public UUID whose(String credential, HttpServletRequest request) {
        PublicKeyCredentialRequestOptions options = asked(request, ASKING, PublicKeyCredentialRequestOptions.class);
        PublicKeyCredential<AuthenticatorAssertionResponse> answer =
                read(credential, new TypeReference<PublicKeyCredential<AuthenticatorAssertionResponse>>() {});
        return PasskeyStore.account(
                accepted(() -> checks(request).authenticate(new RelyingPartyAuthenticationRequest(options, answer)))
                        .getId());
    }

    /** What was asked in this session, once. */
    private static <T> T asked(HttpServletRequest request, String what, Class<T> type) {
        HttpSession session = request.getSession(false);
        Object asked = session == null ? null : session.getAttribute(what);
        if (asked == null) {
            throw new InvalidInputException(FIELD, "answers nothing that was asked here. Begin once more.");
        }
        session.removeAttribute(what);
        return type.cast(asked);
    }

    private <T> T read(String credential, TypeReference<T> type) {
        try {
            return json.readValue(credential, type);
        } catch (JacksonException | IllegalArgumentException e) {
            throw refused(e);
        }
    }

    private static <T> T accepted(Supplier<T> check) {
        try {
            return check.get();
        } catch (RuntimeException e) {
            // The library has one kind of exception for each of a hundred ways to be wrong; none concerns who asks.
            throw refused(e);
        }
    }

    private static InvalidInputException refused(RuntimeException why) {
        InvalidInputException refused =
                new InvalidInputException(FIELD, "was not accepted here. Try once more, or use your password.");
        refused.initCause(why);
        return refused;
    }
}
