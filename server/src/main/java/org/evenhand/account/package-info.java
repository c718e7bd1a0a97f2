/** Who may come in: accounts, passwords, sessions, and the owner's account on the first day. */
@ApplicationModule(displayName = "Accounts")
package org.evenhand.account;

import org.springframework.modulith.ApplicationModule;
