import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { dayAndClock } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { ROLE_NAMES, type Role } from '../ui/roles';
import { Loaded } from '../ui/States';

type Event = Schemas['AccessEvent'];

const roleOf = (detail: string) => (ROLE_NAMES[detail as Role] ?? detail).toLowerCase();

const SAID: Record<Event['kind'], (e: Event) => string> = {
  SIGNED_IN: (e) => `${e.person} signed in`,
  WRONG_PASSWORD: (e) => `A wrong password for ${e.person}`,
  UNKNOWN_ADDRESS: () => 'An address that nobody has was tried',
  SLOWED_DOWN: (e) => `Too many tries${e.person ? ` for ${e.person}` : ''}; slowed down`,
  PASSWORD_CHANGED: (e) => `${e.person} changed the password`,
  SESSIONS_ENDED: (e) => `${e.person} signed out elsewhere`,
  INVITED: (e) => `${e.by} made a link for a ${roleOf(e.detail)}`,
  INVITATION_WITHDRAWN: (e) => `${e.by} withdrew a link for a ${roleOf(e.detail)}`,
  JOINED: (e) => `${e.person} joined as ${roleOf(e.detail)}`,
  ROLE_CHANGED: (e) => `${e.by} made ${e.person} ${roleOf(e.detail)}`,
  REMOVED: (e) => `${e.by} removed ${e.person}`,
  LEFT: (e) => `${e.person} left`,
  HANDED_OVER: (e) => `${e.by} handed the orchard over to ${e.person}`,
  RESET_LINK_MADE: (e) => `${e.by} made a link for a new password of ${e.person}`,
  WRONG_CODE: (e) => `A wrong one-time code for ${e.person}, with the right password`,
  CODES_ON: (e) => `${e.person} turned one-time codes on`,
  CODES_OFF: (e) => `${e.person} turned one-time codes off`,
  PASSKEY_ADDED: (e) => `${e.person} added a passkey`,
  PASSKEY_REMOVED: (e) => `${e.person} removed a passkey`,
  PASSWORD_RESET: (e) => `${e.person} chose a new password by a link`,
};

const REFUSED = new Set<Event['kind']>(['WRONG_PASSWORD', 'UNKNOWN_ADDRESS', 'SLOWED_DOWN', 'WRONG_CODE']);

/** Who came in, who was refused, and what was done about people. */
export function AccessEvents() {
  const { zone } = useHere();
  const events = useQuery(queries.accessLog());
  return (
    <section className="card stack">
      <h2>Who came in, and who was refused</h2>
      <Loaded of={events}>
        {(all) =>
          all.length === 0 ? (
            <p className="soft">Nothing yet.</p>
          ) : (
            <div className="scroll" style={{ maxHeight: 360 }}>
              <table className="plain">
                <thead>
                  <tr>
                    <th>When</th>
                    <th>What</th>
                    <th>From</th>
                  </tr>
                </thead>
                <tbody>
                  {all.map((e, i) => (
                    <tr key={i}>
                      <td>{dayAndClock(new Date(e.at), zone)}</td>
                      <td className={REFUSED.has(e.kind) ? 'warn' : undefined}>{SAID[e.kind](e)}</td>
                      <td className="soft small">{[e.device, e.address].filter(Boolean).join(', ')}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )
        }
      </Loaded>
    </section>
  );
}
