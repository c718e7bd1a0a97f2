import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { lot } from '../test/samples';
import { refusal, serve, show } from '../test/screen';
import { ByCode, ScanField } from './Scan';

const camera = vi.hoisted(() => ({ sees: undefined as string | undefined, stopped: 0 }));
vi.mock('qr-scanner', () => ({
  default: class {
    constructor(
      _video: HTMLVideoElement,
      private readonly decoded: (of: { data: string }) => void,
    ) {}
    start() {
      if (!camera.sees) return Promise.reject(new Error('refused'));
      this.decoded({ data: camera.sees });
      return Promise.resolve();
    }
    destroy() {
      camera.stopped += 1;
    }
  },
}));

afterEach(() => {
  vi.unstubAllGlobals();
  camera.sees = undefined;
});

describe('scanning', () => {
  it.each([
    ['LA-01{Enter}', '/l/LA-01'],
    ['http://127.0.0.1:8080/l/PR-02{Enter}', '/l/PR-02'],
    ['  mix-1 {Enter}', '/l/mix-1'],
  ])('takes %s as a scanner types it', async (typed, address) => {
    show(<ScanField />, { at: '/pollen' });
    await userEvent.type(screen.getByLabelText("Scan or type a jar's code"), typed);
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent(address));
  });

  it('does nothing with an empty scan', async () => {
    show(<ScanField />, { at: '/pollen' });
    await userEvent.type(screen.getByLabelText("Scan or type a jar's code"), '{Enter}');
    expect(screen.getByTestId('address')).toHaveTextContent('/pollen');
  });

  it('offers the camera only where there is one, and says when it cannot be used', async () => {
    show(<ScanField />, { at: '/pollen' });
    expect(screen.queryByLabelText('Scan with the camera')).toBeNull();
    vi.stubGlobal('navigator', {
      ...navigator,
      mediaDevices: { getUserMedia: () => Promise.reject(new Error('refused')) },
    });
    show(<ScanField />, { at: '/pollen' });
    await userEvent.click(screen.getByLabelText('Scan with the camera'));
    expect(await screen.findByText(/The camera cannot be used here/)).toBeInTheDocument();
  });

  it('goes to the jar that the camera sees, and lets go of the camera', async () => {
    camera.sees = 'http://127.0.0.1:8080/l/PR-02';
    vi.stubGlobal('navigator', { ...navigator, mediaDevices: { getUserMedia: () => Promise.resolve({}) } });
    const { unmount } = show(<ScanField />, { at: '/pollen' });
    await userEvent.click(screen.getByLabelText('Scan with the camera'));
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/l/PR-02'));
    unmount();
    expect(camera.stopped).toBeGreaterThan(0);
  });

  it('leads from a label to its jar', async () => {
    serve({ 'GET /api/lot-codes': lot({ code: 'LA-01', id: 'l1' }) });
    show(<ByCode />, { at: '/l/la-01', route: '/l/:code' });
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/pollen/jar/l1'));
  });

  it('says so when no jar has the code, and lets one scan again', async () => {
    serve({ 'GET /api/lot-codes': refusal(404, { detail: 'There is no jar with the code ZZ-9.' }) });
    show(<ByCode />, { at: '/l/ZZ-9', route: '/l/:code' });
    expect(await screen.findByText('No jar ZZ-9 here')).toBeVisible();
    expect(screen.getByLabelText("Scan or type a jar's code")).toBeVisible();
  });
});
