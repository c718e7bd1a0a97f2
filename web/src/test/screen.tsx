import { MantineProvider } from '@mantine/core';
import { Notifications, notifications } from '@mantine/notifications';
import { QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, parsePath, Route, Routes, useLocation } from 'react-router';
import { vi } from 'vitest';
import type { Schemas } from '../api/api';
import { client } from '../api/client';
import { HereContext } from '../ui/orchard-context';
import { calendarDay, dayAndClock } from '../format/time';
import { writeMoments } from '../text/text';
import { NOW, ZONE } from './samples';

writeMoments({ at: (iso) => dayAndClock(new Date(iso), ZONE), day: calendarDay });

export interface Sent {
  method: string;
  path: string;
  query: string;
  body: Record<string, unknown>;
}

/** What the stand-in server answers, by "METHOD /path"; a function sees what was sent. */
export type Server = Record<string, unknown>;

/** An answer that is not 200. */
export const refusal = (status: number, problem: unknown) => ({ refusedWith: status, problem });
/** No answer at all. */
export const SILENCE = Symbol('no network');

/** Stands in for the network and remembers what was sent to change something. */
export function serve(server: Server): Sent[] {
  const changes: Sent[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname: path, search: query } = new URL(request.url);
    const text = request.method === 'GET' ? '' : await request.text();
    const sent: Sent = {
      method: request.method,
      path,
      query,
      body: text ? (JSON.parse(text) as Sent['body']) : {},
    };
    if (request.method !== 'GET') changes.push(sent);
    const key = Object.keys(server).find((k) => {
      const [method, pattern] = k.split(' ');
      return method === request.method && new RegExp(`^${pattern!.replace(/\*/g, '[^/]+')}$`).test(path);
    });
    if (!key) throw new Error(`The test has no answer to ${request.method} ${path}`);
    const entry = server[key];
    const found: unknown = typeof entry === 'function' ? (entry as (s: Sent) => unknown)(sent) : entry;
    if (found === SILENCE) throw new TypeError('Failed to fetch');
    const refused = found as { refusedWith?: number; problem?: unknown } | undefined;
    const status = refused?.refusedWith ?? 200;
    return new Response(JSON.stringify(refused?.refusedWith ? refused.problem : found), {
      status,
      headers: { 'Content-Type': status === 200 ? 'application/json' : 'application/problem+json' },
    });
  });
  return changes;
}

/** Sets a moment in the first field of a label, as somebody types it: `23/11/2026 18:30`. */
export async function typeMoment(label: string, moment: string): Promise<void> {
  const [day, hour, minute] = moment.split(/[ :]/);
  const to = (value: string | undefined) => ({ target: { value } });
  fireEvent.change((await screen.findAllByLabelText(label))[0]!, to(day));
  fireEvent.change(screen.getAllByLabelText(`${label}: hours`)[0]!, to(hour));
  fireEvent.change(screen.getAllByLabelText(`${label}: minutes`)[0]!, to(minute));
}

export const orchard: Schemas['OrchardView'] = {
  id: 'o',
  name: 'Heron Bank',
  latitude: -35.3,
  longitude: 173.9,
  zone: ZONE,
  typicalMinimumC: 14,
  typicalMaximumC: 24,
  typicalMonths: [],
  units: 'METRIC',
  demo: true,
  now: NOW.toISOString(),
  version: 0,
};

function Address() {
  return <output data-testid="address">{useLocation().pathname}</output>;
}

/** As the server says it of each role. */
const MAY: Record<Schemas['SessionView']['role'], Schemas['SessionView']['may']> = {
  OWNER: ['OPEN', 'SELF', 'READ', 'WORK', 'MANAGE', 'OWN'],
  MANAGER: ['OPEN', 'SELF', 'READ', 'WORK', 'MANAGE'],
  WORKER: ['OPEN', 'SELF', 'READ', 'WORK'],
  VIEWER: ['OPEN', 'SELF', 'READ'],
};

/** Shows a screen as somebody signed in sees it. */
export function show(
  element: ReactNode,
  {
    at = '/',
    route = '*',
    of = orchard,
    state,
    role = 'OWNER',
  }: {
    at?: string;
    route?: string;
    of?: typeof orchard;
    state?: unknown;
    role?: Schemas['SessionView']['role'];
  } = {},
) {
  client.clear();
  notifications.clean();
  const session: Schemas['SessionView'] = {
    accountId: 'a',
    person: 'Ines',
    role,
    may: MAY[role],
    orchard: of,
    orchards: [{ orchardId: of.id, name: of.name, role: 'OWNER', here: true }],
  };
  client.setQueryData(['session'], session);
  return render(
    <MantineProvider env="test">
      <Notifications />
      <QueryClientProvider client={client}>
        <HereContext value={{ session, orchard: of, zone: ZONE, now: NOW }}>
          <MemoryRouter initialEntries={[{ ...parsePath(at), state }]}>
            <Routes>
              <Route path={route} element={element} />
              <Route path="*" element={null} />
            </Routes>
            <Address />
          </MemoryRouter>
        </HereContext>
      </QueryClientProvider>
    </MantineProvider>,
  );
}

const sourced = (value: number) => ({ value, basis: 'PRACTICE' });
const stage = (key: string, name: string, receives: boolean, sheds: boolean) => ({
  key,
  name,
  signs: `signs of ${key}`,
  phase: receives ? 'FEMALE' : sheds ? 'MALE' : 'BUD',
  receives,
  sheds,
  meanHours: sourced(10),
  shape: sourced(4),
  receptivity: sourced(receives ? 1 : 0),
  shedding: sourced(sheds ? 1 : 0),
  glyph: {
    form: 'ANNONA' as const,
    spread: 0.4,
    petal: '#9db06a',
    edge: '#6d8043',
    accent: '#d99a10',
    dome: 'tight',
    dust: sheds,
  },
});

export const sheet: Schemas['CropSheetView'] = {
  key: 'cherimoya',
  crop: 'cherimoya',
  name: 'Cherimoya',
  scientificName: 'Annona cherimola',
  summary: '',
  baseTemperatureC: sourced(9),
  referenceTemperatureC: sourced(20),
  capTemperatureC: sourced(30),
  stages: [
    stage('closed', 'Closed', false, false),
    stage('parted', 'Tips parted', true, false),
    stage('shedding', 'Dome loose, dust', false, true),
  ],
  dosesPerFlower: sourced(4),
  freshViability: sourced(0.85),
  collect: ['TAP', 'FLICK'],
  dryHours: sourced(3),
  floated: false,
  figSizes: false,
  allelesDecide: false,
  ploidy: 2,
  cleanBetween: ['Wipe the brush.'],
  keeping: [{ storage: 'ROOM', halfLifeHours: sourced(8), temperatureC: sourced(20) }],
  ownVarietyServes: true,
  ownVarietyFactor: sourced(0.8),
  ownVarietyWhy: '',
  kin: [],
  pollenGroup: 'annona',
  receives: true,
  sheds: true,
  look: [
    {
      key: 'petals',
      question: 'How far are the petals apart?',
      basis: 'PRACTICE',
      answers: [
        { key: 'shut', name: 'shut', likely: [1, 0.1, 0] },
        { key: 'wide', name: 'wide', likely: [0, 0.9, 1] },
      ],
    },
    {
      key: 'brush',
      question: 'What does the brush bring out?',
      basis: 'PRACTICE',
      answers: [
        { key: 'clean', name: 'nothing', likely: [1, 0.95, 0.1] },
        { key: 'powder', name: 'powder', likely: [0, 0.05, 0.9] },
      ],
    },
  ],
  mistakes: [],
  hand: {
    selfFertile: false,
    visitors: 'beetles',
    strokes: 'To the base once and out.',
    handling: [],
    flowerToFlower: false,
    tools: ['brush'],
    marks: [{ name: 'petal nick', how: 'nick a petal tip', lasts: 'PETALS' }],
  },
  season: { roundEveryDays: sourced(2), rhythm: 'Every other day.', bloomDays: sourced(60) },
  schools: [],
  numbers: [
    {
      path: 'stages[1].meanHours',
      value: 10,
      basis: 'PRACTICE',
      shipped: sourced(10),
      low: 0.1,
      high: 2880,
      whole: false,
    },
  ],
  checks: [],
  cautions: [],
};

export const tree = (id: string, name: string, row = 2): Schemas['TreeView'] => ({
  id,
  name,
  varietyId: 'lantern',
  varietyName: 'Lantern',
  crop: 'cherimoya',
  block: 'Bank',
  row,
  position: 1,
  version: 0,
});
