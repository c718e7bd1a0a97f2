import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { serve, show } from '../test/screen';
import { Machine } from './Machine';

const status = {
  version: '1.0',
  startedAt: '2026-11-25T08:00:00Z',
  databaseVersion: '15.18',
  schema: '32',
  databaseBytes: 41_000_000,
  memory: { used: 210_000_000, of: 512_000_000 },
  disk: { used: 40e9, of: 100e9 },
  jobs: [
    { kind: 'OUTCOMES', waiting: 120 },
    { kind: 'IMPORTS', waiting: 0 },
  ],
  backup: { folder: '/var/backups', kept: 3, failed: 'the backup of yesterday failed' },
};

describe('the machine', () => {
  it('tells an owner how it is: backups that failed, what waits, room that is left', async () => {
    serve({ 'GET /api/machine/phones': {}, 'GET /api/machine/status': status });
    show(<Machine />);
    expect(await screen.findByText('the backup of yesterday failed')).toBeVisible();
    expect(screen.getByText('outcomes of 120 records are being worked out')).toBeVisible();
    expect(screen.getByText('60.0 GB free of 100.0 GB')).toBeVisible();
    expect(screen.getByText(/start --lan/)).toBeVisible();
  });

  it('shows the address and the certificate that phones are to trust', async () => {
    serve({
      'GET /api/machine/phones': { address: 'https://192.168.1.20:8080', fingerprint: 'AA:BB' },
      'GET /api/machine/status': { ...status, jobs: [], backup: undefined },
    });
    show(<Machine />);
    expect(await screen.findByText('AA:BB')).toBeVisible();
    expect(screen.getByText('https://192.168.1.20:8080')).toBeVisible();
    expect(await screen.findByText('none is waiting')).toBeVisible();
    expect(screen.getByText(/none is made here/)).toBeVisible();
  });
});
