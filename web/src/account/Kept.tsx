import { Button } from '@mantine/core';
import { useState } from 'react';
import { useHere } from '../kit/orchard-context';
import { send, sendAgain, throwAway, useOutbox } from '../kit/outbox';
import { Empty } from '../kit/States';
import type { Outgoing } from '../kit/store';
import { dayAndClock, plural } from '../kit/time';

function Waiting({ write }: { write: Outgoing }) {
  const { zone, session } = useHere();
  const [sure, setSure] = useState(false);
  const others = write.account !== session.accountId;
  return (
    <section className="card stack">
      <div>
        <b>{write.label}</b>
        <div className="small soft">written {dayAndClock(new Date(write.at), zone)}</div>
      </div>
      {write.refused !== undefined && (
        <p className="note bad" role="alert">
          The server refused it: {write.refused}
        </p>
      )}
      {others && <p className="small">Somebody else wrote it here; it is sent when they sign in.</p>}
      <div className="line">
        {write.refused !== undefined && (
          <Button variant="outline" onClick={() => void sendAgain(write)}>
            {write.question ? 'Yes, send it all the same' : 'Try again'}
          </Button>
        )}
        {sure ? (
          <>
            <Button color="red.9" onClick={() => void throwAway(write)}>
              Yes, throw it away
            </Button>
            <Button variant="subtle" onClick={() => setSure(false)}>
              Keep it
            </Button>
          </>
        ) : (
          <Button variant="subtle" onClick={() => setSure(true)}>
            Throw away
          </Button>
        )}
      </div>
    </section>
  );
}

/** What waits on this device: sent in order when there is a connection; what was refused waits for a person. */
export function Kept() {
  const waiting = useOutbox();
  const refused = waiting.filter((w) => w.refused !== undefined).length;
  return (
    <>
      <div className="say">
        <h1>
          {waiting.length === 0
            ? 'Everything is sent'
            : refused > 0
              ? `${plural(refused, 'record')} refused, ${waiting.length - refused} waiting`
              : `${plural(waiting.length, 'record')} kept on this device`}
        </h1>
        {waiting.length > 0 && (
          <div className="do">
            <Button variant="outline" onClick={() => void send()}>
              Send now
            </Button>
          </div>
        )}
      </div>
      {waiting.length === 0 ? (
        <Empty title="Nothing waits here">
          What is written without a connection is kept here and sent later, in order, each once.
        </Empty>
      ) : (
        waiting.map((w) => <Waiting key={w.seq} write={w} />)
      )}
    </>
  );
}
