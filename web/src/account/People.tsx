import { Button, Select } from '@mantine/core';
import { TextField } from '../form/fields';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { dayAndClock } from '../format/time';
import { OrchardTabs } from '../orchard/OrchardTabs';
import { useHere } from '../ui/orchard-context';
import { ROLE_MEANS, ROLE_NAMES, useMay, type Role } from '../ui/roles';
import { Loaded } from '../ui/States';
import { sayDone } from '../ui/undo';
import { AccessEvents } from './AccessEvents';
import { HandedLink } from './HandedLink';
import classes from './Account.module.css';

type Member = Schemas['Member'];

const GIVEN: Role[] = ['MANAGER', 'WORKER', 'VIEWER'];
const roleChoices = GIVEN.map((r) => ({ value: r, label: ROLE_NAMES[r] }));

function Invite() {
  const [role, setRole] = useState<Role>('WORKER');
  const [note, setNote] = useState('');
  const [made, setMade] = useState<Schemas['HandedLink']>();
  const form = useSubmit(
    () => answer(api.POST('/api/people/invitations', { body: { role, note } })),
    ['role', 'note'],
    (link) => {
      setMade(link);
      setNote('');
    },
  );
  return (
    <section className="card stack">
      <h2>Invite somebody</h2>
      <RecordForm form={form} save="Make a link" className="form" style={{ maxWidth: 'none' }}>
        <div className="two">
          <Select
            label="As"
            data={roleChoices}
            value={role}
            onChange={(r) => r && setRole(r)}
            allowDeselect={false}
            error={form.errorFor('role', 'The role')}
          />
          <TextField
            name="note"
            label="For whom"
            placeholder="Tane, for the harvest"
            value={note}
            set={setNote}
          />
        </div>
        <p className="small soft">{ROLE_MEANS[role]}</p>
      </RecordForm>
      {made && (
        <HandedLink
          link={made}
          what="Hand this link over, or let the camera of their phone read it. It lets one person in."
          close={() => setMade(undefined)}
        />
      )}
    </section>
  );
}

/** What an owner can do about one person; each asks once more. */
function Deeds({ of }: { of: Member }) {
  const [asked, setAsked] = useState<'remove' | 'owner'>();
  const [link, setLink] = useState<Schemas['HandedLink']>();
  const path = { params: { path: { accountId: of.accountId } } };
  const reset = useSubmit(
    () => answer(api.POST('/api/people/{accountId}/reset-link', path)),
    ['accountId'],
    setLink,
  );
  const deed = useSubmit(
    (what: 'remove' | 'owner') =>
      answer(
        what === 'remove'
          ? api.POST('/api/people/{accountId}/remove', path)
          : api.POST('/api/people/{accountId}/owner', path),
      ),
    ['accountId'],
    (_, what) =>
      sayDone(
        what === 'remove' ? `${of.name} no longer comes in.` : `${of.name} owns the orchard; you manage it.`,
      ),
  );
  const refused = [reset, deed].map((f) => f.errorFor('accountId', of.name) ?? f.general).find(Boolean);
  return (
    <div className="stack" style={{ gap: 8 }}>
      {asked ? (
        <div className="line">
          <span className="small">
            {asked === 'remove'
              ? 'Their sessions and calendars end now. What they wrote stays under their name.'
              : 'They become the owner, and you a manager.'}
          </span>
          <Button color="red.9" size="compact-md" loading={deed.busy} onClick={() => deed.submit(asked)}>
            {asked === 'remove' ? `Remove ${of.name}` : `Hand over to ${of.name}`}
          </Button>
          <Button variant="subtle" size="compact-md" onClick={() => setAsked(undefined)}>
            Cancel
          </Button>
        </div>
      ) : (
        <div className="line">
          <Button
            variant="subtle"
            size="compact-md"
            loading={reset.busy}
            onClick={() => reset.submit(undefined)}
          >
            New password
          </Button>
          <Button variant="subtle" size="compact-md" onClick={() => setAsked('owner')}>
            Hand over
          </Button>
          <Button variant="subtle" size="compact-md" onClick={() => setAsked('remove')}>
            Remove
          </Button>
        </div>
      )}
      {refused && <p className="note bad">{refused}</p>}
      {link && (
        <HandedLink
          link={link}
          what={`With this link ${of.name} chooses a new password, once.`}
          close={() => setLink(undefined)}
        />
      )}
    </div>
  );
}

function Person({ of, owns }: { of: Member; owns: boolean }) {
  const { zone, session } = useHere();
  const change = useSubmit(
    (role: Role) =>
      answer(
        api.PUT('/api/people/{accountId}/role', {
          params: { path: { accountId: of.accountId } },
          body: { role },
        }),
      ),
    ['role'],
    (_, role) => sayDone(`${of.name} is ${ROLE_NAMES[role].toLowerCase()} from now on.`),
  );
  const me = of.accountId === session.accountId;
  return (
    <li className="stack" style={{ gap: 8 }}>
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <span>
          <Link to={`/orchard/person/${of.accountId}`}>
            <b>{of.name}</b>
          </Link>{' '}
          {me && <span className="soft">(you)</span>}
          <span className="small soft" style={{ display: 'block' }}>
            {of.email ? `${of.email} · ` : ''}
            {of.lastSignedIn
              ? `signed in last ${dayAndClock(new Date(of.lastSignedIn), zone)}`
              : `here since ${dayAndClock(new Date(of.joinedAt), zone)}`}
          </span>
        </span>
        {owns && !me && of.role !== 'OWNER' ? (
          <Select
            aria-label={`Role of ${of.name}`}
            data={roleChoices}
            value={of.role}
            onChange={(r) => r && r !== of.role && change.submit(r)}
            allowDeselect={false}
            w={150}
            error={change.errorFor('role', 'The role') ?? change.general}
          />
        ) : (
          <span>{ROLE_NAMES[of.role]}</span>
        )}
      </div>
      {owns && !me && <Deeds of={of} />}
    </li>
  );
}

function Invitations({ open }: { open: Schemas['OpenInvitation'][] }) {
  const { zone } = useHere();
  const withdraw = useSubmit(
    (id: string) => answer(api.POST('/api/people/invitations/{id}/withdraw', { params: { path: { id } } })),
    [],
    () => sayDone('The link lets nobody in any more.'),
  );
  if (open.length === 0) return null;
  return (
    <section className="card stack">
      <h2>Links that were handed out</h2>
      <ul className={classes.list}>
        {open.map((i) => (
          <li key={i.id} className="line" style={{ justifyContent: 'space-between' }}>
            <span>
              <b>{i.note || ROLE_NAMES[i.role]}</b>
              <span className="small soft" style={{ display: 'block' }}>
                as {ROLE_NAMES[i.role].toLowerCase()}, by {i.madeBy}; good until{' '}
                {dayAndClock(new Date(i.validUntil), zone)}
              </span>
            </span>
            <Button variant="subtle" size="compact-md" onClick={() => withdraw.submit(i.id)}>
              Withdraw
            </Button>
          </li>
        ))}
      </ul>
      {withdraw.general && <p className="note bad">{withdraw.general}</p>}
    </section>
  );
}

/** Who works in the orchard, and as what. */
export function People() {
  const people = useQuery(queries.people());
  const owns = useMay('OWN');
  return (
    <>
      <OrchardTabs />
      <Loaded of={people}>
        {({ members, formerly, invitations }) => (
          <>
            <h1>{members.length === 1 ? 'You work here alone' : `${members.length} people work here`}</h1>
            <section className="card stack">
              <ul className={classes.list}>
                {members.map((m) => (
                  <Person key={m.accountId} of={m} owns={owns} />
                ))}
              </ul>
              {!owns && <p className="small soft">An owner invites, changes roles and removes.</p>}
              {formerly.length > 0 && (
                <p className="small soft">
                  No longer come in, and are known by what they wrote:{' '}
                  {formerly.map((f, i) => (
                    <span key={f.accountId}>
                      {i > 0 && ', '}
                      <Link to={`/orchard/person/${f.accountId}`}>{f.name}</Link>
                    </span>
                  ))}
                  .
                </p>
              )}
            </section>
            <Invitations open={invitations} />
            {owns && <Invite />}
            {owns && <AccessEvents />}
          </>
        )}
      </Loaded>
    </>
  );
}
