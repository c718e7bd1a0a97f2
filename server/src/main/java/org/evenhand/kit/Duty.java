package org.evenhand.kit;

import java.util.EnumSet;
import java.util.Set;
import org.evenhand.kit.Caller.Role;

/** What an operation is, and so who may ask for it. */
public enum Duty {
    /** Open to whoever can reach the machine. */
    OPEN(EnumSet.allOf(Role.class)),
    /** What concerns oneself alone: one's sessions, password and language. */
    SELF(EnumSet.allOf(Role.class)),
    /** Seeing and exporting. */
    READ(EnumSet.allOf(Role.class)),
    /** The work on the trees, written down. */
    WORK(EnumSet.of(Role.OWNER, Role.MANAGER, Role.WORKER)),
    /** What the orchard is and how it is planned: trees, varieties, settings, stations, permits, imports. */
    MANAGE(EnumSet.of(Role.OWNER, Role.MANAGER)),
    /** People, and the orchard as a whole. */
    OWN(EnumSet.of(Role.OWNER));

    private final Set<Role> roles;

    Duty(Set<Role> roles) {
        this.roles = roles;
    }

    boolean of(Role role) {
        return roles.contains(role);
    }
}
