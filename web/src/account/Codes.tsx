import { Button, CopyButton } from '@mantine/core';
import { TextField } from '../form/fields';
import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { sayDone } from '../ui/undo';
import { OwnPassword } from './PasswordFields';
import classes from './Account.module.css';

type Wish = 'on' | 'spare' | 'off';

const SAVES: Record<Wish, string> = {
  on: 'Go on',
  spare: 'Make new spare codes',
  off: 'Ask for codes no longer',
};

function Confirm({ wish, cancel, done }: { wish: Wish; cancel: () => void; done: (made: Made) => void }) {
  const [password, setPassword] = useState('');
  const form = useSubmit(
    async (): Promise<Made> => {
      const body = { password };
      if (wish === 'on') return { begun: await answer(api.POST('/api/account/codes', { body })) };
      if (wish === 'spare') return await answer(api.POST('/api/account/codes/spare', { body }));
      await answer(api.POST('/api/account/codes/off', { body }));
      sayDone('Only your password is asked for now.');
      return {};
    },
    ['password', 'code'],
    done,
  );
  return (
    <RecordForm duty="SELF" form={form} save={SAVES[wish]} cancel={cancel} className="stack">
      <OwnPassword
        label="Your password"
        value={password}
        onChange={setPassword}
        error={form.errorFor('password', 'Your password') ?? form.errorFor('code', 'A code')}
      />
    </RecordForm>
  );
}

interface Made {
  begun?: Schemas['CodesBegun'];
  spare?: string[];
}

/** The secret for the app, and the first code it shows. */
function FirstCode({
  begun,
  cancel,
  done,
}: {
  begun: Schemas['CodesBegun'];
  cancel: () => void;
  done: (made: Made) => void;
}) {
  const [code, setCode] = useState('');
  const form = useSubmit(
    () => answer(api.PUT('/api/account/codes', { body: { code } })),
    ['code'],
    ({ spare }) => done({ spare }),
  );
  return (
    <RecordForm duty="SELF" form={form} save="Ask for codes from now on" cancel={cancel} className="stack">
      <div className="line" style={{ alignItems: 'center', gap: 16 }}>
        <QRCodeSVG value={begun.address} size={148} marginSize={2} title="The secret as a square code" />
        <p style={{ flex: 1, minWidth: 220 }}>
          Read this square with an app for one-time codes, or type its secret there:{' '}
          <code style={{ overflowWrap: 'anywhere' }}>{begun.secret.replace(/(.{4})/g, '$1 ')}</code>
        </p>
      </div>
      <TextField
        name="code"
        label="The code the app shows now"
        inputMode="numeric"
        autoComplete="one-time-code"
        maw={340}
        value={code}
        set={setCode}
        named="The code"
      />
    </RecordForm>
  );
}

function Spare({ codes, close }: { codes: string[]; close: () => void }) {
  return (
    <div className="note stack" style={{ gap: 12 }}>
      <p>
        <b>Spare codes, shown this once.</b> Each lets you in once where the phone with the app is lost. Keep
        them on paper, apart from the phone.
      </p>
      <ul className={classes.codes}>
        {codes.map((c) => (
          <li key={c}>
            <code>{c}</code>
          </li>
        ))}
      </ul>
      <div className="line">
        <CopyButton value={codes.join('\n')}>
          {({ copied, copy }) => (
            <Button size="compact-md" variant="outline" onClick={copy}>
              {copied ? 'Copied' : 'Copy them'}
            </Button>
          )}
        </CopyButton>
        <Button size="compact-md" variant="outline" onClick={() => window.print()}>
          Print this page
        </Button>
        <Button size="compact-md" variant="subtle" onClick={close}>
          I keep them
        </Button>
      </div>
    </div>
  );
}

/** Codes of an app, asked for beside the password. */
export function Codes({ codes }: { codes: Schemas['OwnCodes'] }) {
  const [wish, setWish] = useState<Wish>();
  const [made, setMade] = useState<Made>({});
  const done = (next: Made) => {
    setWish(undefined);
    setMade(next);
  };
  const idle = !wish && !made.begun && !made.spare;
  return (
    <section className="card stack">
      <h2>One-time codes</h2>
      <p className="soft">
        {codes.on
          ? `With your password you are asked for a code of your app. ${codes.spare} spare ${codes.spare === 1 ? 'code is' : 'codes are'} left.`
          : 'An app on your phone shows a new code each half minute. Whoever learns your password still cannot come in.'}
      </p>
      {codes.on && codes.spare < 3 && <p className="warn">Make new spare codes before the last is used.</p>}
      {wish && <Confirm key={wish} wish={wish} cancel={() => setWish(undefined)} done={done} />}
      {made.begun && <FirstCode begun={made.begun} cancel={() => setMade({})} done={done} />}
      {made.spare && <Spare codes={made.spare} close={() => setMade({})} />}
      {idle && (
        <div className="line">
          {codes.on ? (
            <>
              <Button size="sm" variant="outline" onClick={() => setWish('spare')}>
                New spare codes
              </Button>
              <Button size="sm" variant="subtle" onClick={() => setWish('off')}>
                Turn off
              </Button>
            </>
          ) : (
            <Button size="sm" variant="outline" onClick={() => setWish('on')}>
              Ask for codes
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
