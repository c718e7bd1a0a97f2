import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { QRCodeSVG } from 'qrcode.react';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { dayAndClock } from '../format/time';
import { OrchardTabs } from '../orchard/OrchardTabs';
import { useHere } from '../ui/orchard-context';
import { useMay } from '../ui/roles';
import { Loaded } from '../ui/States';

const size = (bytes: number): string =>
  bytes < 1e9 ? `${Math.round(bytes / 1e6)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;

/** How to trust a certificate that no authority signed; common practice, and different on each phone. */
const TRUST: { phone: string; steps: string }[] = [
  {
    phone: 'Android',
    steps:
      'Open the file that “Save the certificate” puts on the phone. If it is not offered by itself: Settings, Security, Encryption and credentials, Install a certificate, CA certificate.',
  },
  {
    phone: 'iPhone and iPad',
    steps:
      'Open the file, allow the profile, then Settings, General, VPN & Device Management: install it; and Settings, General, About, Certificate Trust Settings: switch it on.',
  },
  {
    phone: 'A computer',
    steps: 'Add the file to the certificates of the system or of the browser, as an authority for web pages.',
  },
];

function Trust({ phones }: { phones: Schemas['Phones'] }) {
  const { zone } = useHere();
  return (
    <>
      <h3>Trust this machine, once on each phone</h3>
      <p className="small">
        The certificate was made here, so phones ask at first. Before you agree, compare its fingerprint; it
        must be exactly this:
      </p>
      <code className="small" style={{ overflowWrap: 'anywhere' }}>
        {phones.fingerprint}
      </code>
      <div className="line">
        <Button component="a" href="/api/machine/certificate" variant="outline">
          Save the certificate
        </Button>
        {phones.certificateEnds && (
          <span className="small soft">
            It ends {dayAndClock(new Date(phones.certificateEnds), zone)}; start anew then.
          </span>
        )}
      </div>
      <ul className="small stack" style={{ gap: 6 }}>
        {TRUST.map(({ phone, steps }) => (
          <li key={phone}>
            <b>{phone}:</b> {steps}
          </li>
        ))}
      </ul>
      <p className="small soft">
        Until then pages open after a warning, but nothing is kept on the phone for places without a signal.
      </p>
    </>
  );
}

function Phones({ phones }: { phones: Schemas['Phones'] }) {
  return (
    <section className="card stack">
      <h2>Phones in the orchard</h2>
      {phones.address ? (
        <>
          <p>Let the camera of a phone in the same network read this, or type the address.</p>
          <div className="line" style={{ alignItems: 'center', gap: 16 }}>
            <QRCodeSVG
              value={phones.address}
              size={148}
              marginSize={2}
              title="The address as a square code"
            />
            <b style={{ overflowWrap: 'anywhere' }}>{phones.address}</b>
          </div>
          {phones.fingerprint && <Trust phones={phones} />}
        </>
      ) : (
        <>
          <p>Even Hand answers this machine only. To let phones in, start it on the machine with</p>
          <code>./even-hand start --lan</code>
          <p className="small soft">
            It makes a certificate for the orchard’s network, and this page then shows its fingerprint and the
            code to scan. Behind a proxy of your own give its address as EVEN_HAND_PUBLIC_ADDRESS instead.
          </p>
        </>
      )}
    </section>
  );
}

function Backup({ backup }: { backup: Schemas['Backups'] | undefined }) {
  const { zone } = useHere();
  if (!backup) return <>none is made here: of the demo, or where somebody else runs the database</>;
  return (
    <>
      {backup.last ? (
        <>
          {dayAndClock(new Date(backup.last), zone)}
          {backup.bytes !== undefined && `, ${size(backup.bytes)}`}; {backup.kept} kept
        </>
      ) : (
        'none yet; the first follows within ten minutes of the start'
      )}
      {backup.failed && (
        <span className="warn" style={{ display: 'block' }}>
          {backup.failed}
        </span>
      )}
      <span className="small soft" style={{ display: 'block', overflowWrap: 'anywhere' }}>
        in {backup.folder}; take one to another place now and then
      </span>
    </>
  );
}

const JOBS: Record<Schemas['MachineJob']['kind'], (n: number) => string> = {
  OUTCOMES: (n) => `outcomes of ${n === 1 ? 'one record' : `${n} records`} are being worked out`,
  IMPORTS: (n) => `${n === 1 ? 'one file is' : `${n} files are`} being imported`,
};

function Jobs({ jobs }: { jobs: Schemas['MachineJob'][] }) {
  const busy = jobs.filter((j) => j.waiting > 0);
  return <>{busy.map((j) => JOBS[j.kind](j.waiting)).join('; ') || 'none is waiting'}</>;
}

function Status() {
  const { zone } = useHere();
  const status = useQuery(queries.machineStatus());
  return (
    <section className="card stack">
      <h2>How the machine is</h2>
      <Loaded of={status}>
        {(s) => (
          <div className="scroll">
            <table className="plain">
              <tbody>
                {(
                  [
                    ['Last backup', <Backup key="b" backup={s.backup} />],
                    ['Disk', `${size(s.disk.of - s.disk.used)} free of ${size(s.disk.of)}`],
                    ['Background work', <Jobs key="j" jobs={s.jobs} />],
                    ['Memory', `${size(s.memory.used)} used of ${size(s.memory.of)}`],
                    ['Database', `${size(s.databaseBytes)}, PostgreSQL ${s.databaseVersion}`],
                    ['Even Hand', `${s.version}, database schema ${s.schema}`],
                    ['Running since', dayAndClock(new Date(s.startedAt), zone)],
                  ] as const
                ).map(([name, value]) => (
                  <tr key={name}>
                    <td className="soft">{name}</td>
                    <td>{value}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
      </Loaded>
    </section>
  );
}

/** The machine: how phones reach it, and for owners how it is. */
export function Machine() {
  const phones = useQuery(queries.phones());
  const owns = useMay('OWN');
  return (
    <>
      <OrchardTabs />
      <h1>The machine that Even Hand runs on</h1>
      <Loaded of={phones}>{(p) => <Phones phones={p} />}</Loaded>
      {owns && <Status />}
    </>
  );
}
