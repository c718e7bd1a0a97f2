import { Button, FileButton, Progress } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type ReactNode } from 'react';
import { refresh } from '../api/client';
import { sendFile } from '../api/send-file';
import { Refused } from './Refused';

/** How far the file has come; it can be cancelled until all of it is sent. */
function OnTheWay({ part, note, cancel }: { part: number; note: string; cancel: () => void }) {
  const gone = Math.floor(part * 100);
  return (
    <div className="stack">
      <Progress value={gone} aria-label="Part of the file that is sent" animated={part === 1} />
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <span className="soft" role="status">
          {part < 1
            ? `${gone}\u00a0% of the file sent.`
            : 'All of it is there; now it is checked and written down.'}{' '}
          {note}
        </span>
        {part < 1 && (
          <Button variant="subtle" onClick={cancel}>
            Cancel
          </Button>
        )}
      </div>
    </div>
  );
}

interface Props<T> {
  path: string;
  type: string;
  /** What the chooser offers. */
  accept: string;
  choose: string;
  submit: string;
  /** What is said while it is on its way. */
  note: string;
  disabled?: boolean;
  /** What came of it, in words. */
  done: (answer: T) => ReactNode;
  children: ReactNode;
}

/** A file that is sent as it is and written down at once, as a whole or not at all. */
export function SendFile<T>({
  path,
  type,
  accept,
  choose,
  submit,
  note,
  disabled,
  done,
  children,
}: Props<T>) {
  const client = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [part, setPart] = useState(0);
  const stop = useRef<AbortController>(undefined);
  const sending = useMutation({
    mutationFn: (f: File) => {
      setPart(0);
      stop.current = new AbortController();
      return sendFile<T>(path, f, type, { onPart: setPart, signal: stop.current.signal });
    },
    onSuccess: () => refresh(client),
  });
  return (
    <form
      className="card form"
      onSubmit={(e) => {
        e.preventDefault();
        if (file) sending.mutate(file);
      }}
    >
      {children}
      <div className="line">
        <FileButton
          onChange={(f) => {
            setFile(f);
            sending.reset();
          }}
          accept={accept}
        >
          {(props) => (
            <Button variant="outline" disabled={disabled} {...props}>
              {choose}
            </Button>
          )}
        </FileButton>
        <span>{file ? file.name : <span className="soft">no file chosen yet</span>}</span>
      </div>
      <div className="line">
        <Button type="submit" disabled={!file || disabled} loading={sending.isPending}>
          {submit}
        </Button>
      </div>
      {sending.isPending && <OnTheWay part={part} note={note} cancel={() => stop.current?.abort()} />}
      {sending.error &&
        (sending.error.name === 'AbortError' ? (
          <p className="note" role="status">
            Cancelled; nothing was imported.
          </p>
        ) : (
          <Refused error={sending.error} />
        ))}
      {sending.data && (
        <p className="note" role="status">
          {done(sending.data)}
        </p>
      )}
    </form>
  );
}
