import { ActionIcon, Modal, TextInput } from '@mantine/core';
import { IconCamera, IconQrcode } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import type QrScanner from 'qr-scanner';
import { useEffect, useRef, useState } from 'react';
import { Navigate, useNavigate, useParams } from 'react-router';
import { answer, api } from '../api/api';
import { Empty, Loaded } from '../ui/States';

/** The code in what a scanner typed or a camera saw: "LA-01", or an address that ends in it. */
export const codeIn = (text: string): string =>
  decodeURIComponent(text.trim().split('/').at(-1) ?? '').trim();

/** A field for a scanner or for typing, and the camera where there is one. */
export function ScanField() {
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [looking, setLooking] = useState(false);
  const open = (seen: string) => {
    const code = codeIn(seen);
    if (code) void navigate(`/l/${encodeURIComponent(code)}`);
  };
  const camera = typeof navigator.mediaDevices?.getUserMedia === 'function';
  return (
    <form
      role="search"
      onSubmit={(e) => {
        e.preventDefault();
        open(text);
      }}
    >
      <TextInput
        aria-label="Scan or type a jar's code"
        placeholder="scan or type a code"
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
        w={210}
        leftSection={<IconQrcode size={18} />}
        rightSection={
          camera && (
            <ActionIcon variant="subtle" aria-label="Scan with the camera" onClick={() => setLooking(true)}>
              <IconCamera size={18} />
            </ActionIcon>
          )
        }
      />
      <Modal opened={looking} onClose={() => setLooking(false)} title="Hold the label before the camera">
        {looking && (
          <Camera
            seen={(t) => {
              setLooking(false);
              open(t);
            }}
          />
        )}
      </Modal>
    </form>
  );
}

/** Looks through the camera until it sees a QR code. */
function Camera({ seen }: { seen: (text: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [problem, setProblem] = useState<string>();
  const latest = useRef(seen);
  useEffect(() => {
    latest.current = seen;
  });
  useEffect(() => {
    let scanner: QrScanner | undefined;
    let gone = false;
    const scan = async () => {
      // Fetched only when somebody scans. It asks the browser's own detector, and brings one for browsers without.
      const { default: Scanner } = await import('qr-scanner');
      if (gone) return;
      scanner = new Scanner(video.current!, ({ data }) => latest.current(data), {
        preferredCamera: 'environment',
        returnDetailedScanResult: true,
      });
      await scanner.start();
    };
    scan().catch(() => setProblem('The camera cannot be used here. Type the code that stands on the label.'));
    return () => {
      gone = true;
      scanner?.destroy();
    };
  }, []);
  return problem ? (
    <p className="warn">{problem}</p>
  ) : (
    <video ref={video} muted playsInline style={{ width: '100%', borderRadius: 8, background: '#000' }}>
      <track kind="captions" />
    </video>
  );
}

/** Where a label's QR code leads: to its jar. */
export function ByCode() {
  const code = useParams().code ?? '';
  const found = useQuery({
    queryKey: ['lots', 'code', code],
    queryFn: () => answer(api.GET('/api/lot-codes', { params: { query: { code } } })),
    retry: false,
  });
  if (found.isError)
    return (
      <Empty title={`No jar ${code} here`} action={<ScanField />}>
        It may have been removed, or belong to another orchard. Look at the label again.
      </Empty>
    );
  return <Loaded of={found}>{(lot) => <Navigate to={`/pollen/jar/${lot.id}`} replace />}</Loaded>;
}
