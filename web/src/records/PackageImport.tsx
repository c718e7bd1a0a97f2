import { Button, FileButton } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { refresh } from '../api/client';
import type { Schemas } from '../api/api';
import { sendFile } from '../api/send-file';
import { plural } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { OnTheWay, Refused } from './LargeFile';

/** Everything of another machine into an orchard that is empty still. */
export function PackageImport() {
  const client = useQueryClient();
  const owner = useHere().session.role === 'OWNER';
  const [file, setFile] = useState<File | null>(null);
  const [part, setPart] = useState(0);
  const stop = useRef<AbortController>(undefined);
  const sending = useMutation({
    mutationFn: (f: File) => {
      setPart(0);
      stop.current = new AbortController();
      return sendFile<Schemas['PackageImported']>('/api/records/package', f, 'application/zip', {
        onPart: setPart,
        signal: stop.current.signal,
      });
    },
    onSuccess: () => refresh(client),
  });
  const lines = Object.values(sending.data?.lines ?? {}).reduce((a, b) => a + b, 0);
  return (
    <form
      className="card form"
      onSubmit={(e) => {
        e.preventDefault();
        if (file) sending.mutate(file);
      }}
    >
      <p className="small">
        The ZIP that “Export everything” saved, as it was saved. It can only be read into an orchard without
        records. Names, pictures and earlier versions come along; those who wrote the records are known by
        name and cannot sign in here.
      </p>
      {!owner && <p className="note">Only the owner of the orchard can import a whole export.</p>}
      <div className="line">
        <FileButton
          onChange={(f) => {
            setFile(f);
            sending.reset();
          }}
          accept=".zip,application/zip"
        >
          {(props) => (
            <Button variant="outline" disabled={!owner} {...props}>
              Choose a ZIP file
            </Button>
          )}
        </FileButton>
        <span>{file ? file.name : <span className="soft">no file chosen yet</span>}</span>
      </div>
      <div className="line">
        <Button type="submit" disabled={!file || !owner} loading={sending.isPending}>
          Import everything
        </Button>
      </div>
      {sending.isPending && (
        <OnTheWay part={part} note="All of it is imported or nothing." giveUp={() => stop.current?.abort()} />
      )}
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
          Imported: {plural(lines, 'line')} of {plural(Object.keys(sending.data.lines).length, 'table')}.
        </p>
      )}
    </form>
  );
}
