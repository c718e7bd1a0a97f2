import { Button, CopyButton } from '@mantine/core';
import { QRCodeSVG } from 'qrcode.react';
import type { Schemas } from '../api/api';
import { dayAndClock } from '../format/time';
import { useHere } from '../ui/orchard-context';

/** Only this machine reaches itself under these. */
const HERE_ONLY = new Set(['localhost', '127.0.0.1', '[::1]']);

/** A link that is shown once, to be copied, sent, or read by a phone. */
export function HandedLink({
  link,
  what,
  close,
}: {
  link: Schemas['HandedLink'];
  what: string;
  close: () => void;
}) {
  const { zone } = useHere();
  const address = link.address ?? window.location.origin + link.path;
  const alone = HERE_ONLY.has(new URL(address).hostname);
  return (
    <div className="note stack" style={{ gap: 12 }}>
      <p>
        {what} It is shown this once, and is good until {dayAndClock(new Date(link.validUntil), zone)}.
      </p>
      <div className="line" style={{ alignItems: 'center', gap: 16 }}>
        <QRCodeSVG value={address} size={148} marginSize={2} title="The link as a square code" />
        <div className="stack" style={{ gap: 10, flex: 1, minWidth: 220 }}>
          <code className="small" style={{ overflowWrap: 'anywhere' }}>
            {address}
          </code>
          <div className="line">
            <CopyButton value={address}>
              {({ copied, copy }) => (
                <Button size="compact-md" variant="outline" onClick={copy}>
                  {copied ? 'Copied' : 'Copy the link'}
                </Button>
              )}
            </CopyButton>
            <Button size="compact-md" variant="subtle" onClick={close}>
              Done
            </Button>
          </div>
        </div>
      </div>
      {alone && (
        <p className="small warn">
          This address leads to this machine only. For phones, Even Hand must be started for the orchard’s
          network, or with its public address.
        </p>
      )}
    </div>
  );
}
