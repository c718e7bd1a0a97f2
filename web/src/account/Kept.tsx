import { Button } from '@mantine/core';
import { useState } from 'react';
import { useHere } from '../ui/orchard-context';
import { send, sendAgain, throwAway, useOutbox } from '../offline/outbox';
import { Empty, Problem } from '../ui/States';
import type { Outgoing } from '../offline/store';
import { dayAndClock } from '../format/time';
import { t } from '../text/text';

function Waiting({ write }: { write: Outgoing }) {
  const { zone, session } = useHere();
  const [sure, setSure] = useState(false);
  const others = write.account !== session.accountId;
  return (
    <section className="card stack">
      <div>
        <b>{write.label}</b>
        <div className="small soft">{t('kept.written', { at: dayAndClock(new Date(write.at), zone) })}</div>
      </div>
      {write.refused !== undefined && <Problem>{t('kept.refused', { why: write.refused })}</Problem>}
      {others && <p className="small">{t('kept.others')}</p>}
      <div className="line">
        {write.refused !== undefined && (
          <Button variant="outline" onClick={() => void sendAgain(write)}>
            {write.question ? t('kept.send-all-the-same') : t('do.try-again')}
          </Button>
        )}
        {sure ? (
          <>
            <Button color="red.9" onClick={() => void throwAway(write)}>
              {t('kept.throw-yes')}
            </Button>
            <Button variant="subtle" onClick={() => setSure(false)}>
              {t('kept.keep')}
            </Button>
          </>
        ) : (
          <Button variant="subtle" onClick={() => setSure(true)}>
            {t('kept.throw')}
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
            ? t('kept.all-sent')
            : refused > 0
              ? t('kept.some-refused', { refused, waiting: waiting.length - refused })
              : t('outbox.waiting', { n: waiting.length })}
        </h1>
        {waiting.length > 0 && (
          <div className="do">
            <Button variant="outline" onClick={() => void send()}>
              {t('kept.send-now')}
            </Button>
          </div>
        )}
      </div>
      {waiting.length === 0 ? (
        <Empty title={t('kept.nothing')}>{t('kept.what')}</Empty>
      ) : (
        waiting.map((w) => <Waiting key={w.seq} write={w} />)
      )}
    </>
  );
}
