import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from './api';
import { inThisLanguage } from '../text/sheets';

/** The season and crop that findings are asked of; the latest where nothing is said. */
export interface OfSeason {
  season?: number;
  crop?: string;
}

/** Days of the plan that most pages show. */
export const PLAN_DAYS = 4;

const NEW_ONE_MS = 2_000;

/** One from before the latest records is followed by another. */
function untilNew(query: { state: { data?: { ageSeconds?: number } | undefined } }) {
  return query.state.data?.ageSeconds === undefined ? false : NEW_ONE_MS;
}

export const queries = {
  setup: () => queryOptions({ queryKey: ['setup'], queryFn: () => answer(api.GET('/api/setup')) }),
  session: () => queryOptions({ queryKey: ['session'], queryFn: () => answer(api.GET('/api/session')) }),
  crops: () =>
    queryOptions({
      queryKey: ['crops'],
      queryFn: () => answer(api.GET('/api/crops')),
      staleTime: 3_600_000,
      select: inThisLanguage,
    }),
  varieties: () =>
    queryOptions({ queryKey: ['varieties'], queryFn: () => answer(api.GET('/api/varieties')) }),
  trees: () => queryOptions({ queryKey: ['trees'], queryFn: () => answer(api.GET('/api/trees')) }),
  /** Trees on which there is still work. */
  standing: () =>
    queryOptions({
      queryKey: ['trees'],
      queryFn: () => answer(api.GET('/api/trees')),
      select: (all: Schemas['TreeView'][]) => all.filter((tree) => tree.stoodUntil === undefined),
    }),
  map: () => queryOptions({ queryKey: ['map'], queryFn: () => answer(api.GET('/api/map')) }),
  light: (hours: number) =>
    queryOptions({
      queryKey: ['light', hours],
      queryFn: () => answer(api.GET('/api/light', { params: { query: { hours } } })),
    }),
  bloom: (hours: number) =>
    queryOptions({
      queryKey: ['bloom', hours],
      queryFn: () => answer(api.GET('/api/bloom', { params: { query: { hours } } })),
      refetchInterval: untilNew,
    }),
  readings: (id: string) =>
    queryOptions({
      queryKey: ['readings', id],
      queryFn: () => answer(api.GET('/api/trees/{id}/readings', { params: { path: { id } } })),
    }),
  lots: () => queryOptions({ queryKey: ['lots'], queryFn: () => answer(api.GET('/api/lots')) }),
  jar: (id: string) =>
    queryOptions({
      queryKey: ['lots', id, 'story'],
      queryFn: () => answer(api.GET('/api/lots/{id}/story', { params: { path: { id } } })),
    }),
  served: (id: string) =>
    queryOptions({
      queryKey: ['lots', id, 'serves'],
      queryFn: () => answer(api.GET('/api/lots/{id}/serves', { params: { path: { id } } })),
    }),
  gathering: (variety: string, doses: number) =>
    queryOptions({
      queryKey: ['gathering', variety, doses],
      queryFn: () => answer(api.GET('/api/gathering', { params: { query: { variety, doses } } })),
    }),
  stagePhotos: (tree: string) =>
    queryOptions({
      queryKey: ['stage-photos', tree],
      queryFn: () => answer(api.GET('/api/trees/{id}/stage-photos', { params: { path: { id: tree } } })),
    }),
  account: () => queryOptions({ queryKey: ['account'], queryFn: () => answer(api.GET('/api/account')) }),
  people: () => queryOptions({ queryKey: ['people'], queryFn: () => answer(api.GET('/api/people')) }),
  accessLog: () =>
    queryOptions({ queryKey: ['people', 'log'], queryFn: () => answer(api.GET('/api/people/log')) }),
  phones: () => queryOptions({ queryKey: ['phones'], queryFn: () => answer(api.GET('/api/machine/phones')) }),
  machineStatus: () =>
    queryOptions({
      queryKey: ['machine-status'],
      queryFn: () => answer(api.GET('/api/machine/status')),
      refetchInterval: 10_000,
    }),
  permits: () => queryOptions({ queryKey: ['permits'], queryFn: () => answer(api.GET('/api/permits')) }),
  permitStanding: (scope: Schemas['PermitNotice']['scope'], crop: string, day: string) =>
    queryOptions({
      queryKey: ['permit-standing', scope, crop, day],
      queryFn: () => answer(api.GET('/api/permits/standing', { params: { query: { scope, crop, day } } })),
    }),
  printed: () => queryOptions({ queryKey: ['printed'], queryFn: () => answer(api.GET('/api/printer')) }),
  manyCrosses: (body: Schemas['ManyCrossesRequest']) =>
    queryOptions({
      queryKey: ['many-crosses', body],
      queryFn: () => answer(api.POST('/api/mates/many', { body })),
    }),
  mates: () => queryOptions({ queryKey: ['mates'], queryFn: () => answer(api.GET('/api/mates')) }),
  pair: (mother: string, father: string) =>
    queryOptions({
      queryKey: ['mates', mother, father],
      queryFn: () => answer(api.GET('/api/mates/pair', { params: { query: { mother, father } } })),
    }),
  servers: (tree: string) =>
    queryOptions({
      queryKey: ['mates', 'tree', tree],
      queryFn: () => answer(api.GET('/api/trees/{id}/servers', { params: { path: { id: tree } } })),
    }),
  crossRequests: () =>
    queryOptions({ queryKey: ['crossRequests'], queryFn: () => answer(api.GET('/api/cross-requests')) }),
  round: (at?: string) =>
    queryOptions({
      queryKey: ['round', at ?? 'best'],
      queryFn: () => answer(api.GET('/api/round', { params: { query: at ? { at } : {} } })),
    }),
  plan: (days: number) =>
    queryOptions({
      queryKey: ['plan', days],
      queryFn: () => answer(api.GET('/api/plan', { params: { query: { days } } })),
      refetchInterval: untilNew,
    }),
  roundSettings: () =>
    queryOptions({ queryKey: ['round-settings'], queryFn: () => answer(api.GET('/api/round-settings')) }),
  targets: () => queryOptions({ queryKey: ['targets'], queryFn: () => answer(api.GET('/api/targets')) }),
  calendars: () =>
    queryOptions({ queryKey: ['calendars'], queryFn: () => answer(api.GET('/api/calendars')) }),
  controlledCrosses: () =>
    queryOptions({ queryKey: ['controlledCrosses'], queryFn: () => answer(api.GET('/api/crosses')) }),
  figs: (tree: string) =>
    queryOptions({
      queryKey: ['figs', tree],
      queryFn: () => answer(api.GET('/api/trees/{id}/figs', { params: { path: { id: tree } } })),
    }),
  walks: () => queryOptions({ queryKey: ['walks'], queryFn: () => answer(api.GET('/api/walks')) }),
  walk: (id: string) =>
    queryOptions({
      queryKey: ['walk', id],
      queryFn: () => answer(api.GET('/api/walks/{id}', { params: { path: { id } } })),
    }),
  fruitSet: () => queryOptions({ queryKey: ['fruit-set'], queryFn: () => answer(api.GET('/api/fruit-set')) }),
  seedLots: () => queryOptions({ queryKey: ['seed-lots'], queryFn: () => answer(api.GET('/api/seed-lots')) }),
  seedLot: (id: string) =>
    queryOptions({
      queryKey: ['seed-lots', id],
      queryFn: () => answer(api.GET('/api/seed-lots/{id}', { params: { path: { id } } })),
    }),
  madeCrosses: () =>
    queryOptions({ queryKey: ['crosses', 'made'], queryFn: () => answer(api.GET('/api/crosses/made')) }),
  seedlings: () =>
    queryOptions({ queryKey: ['seedlings'], queryFn: () => answer(api.GET('/api/seedlings')) }),
  seedling: (id: string) =>
    queryOptions({
      queryKey: ['seedlings', id],
      queryFn: () => answer(api.GET('/api/seedlings/{id}', { params: { path: { id } } })),
    }),
  judging: (crop: string) =>
    queryOptions({
      queryKey: ['judging', crop],
      queryFn: () => answer(api.GET('/api/judging', { params: { query: { crop } } })),
    }),
  promising: (crop: string) =>
    queryOptions({
      queryKey: ['judging', crop, 'crosses'],
      queryFn: () => answer(api.GET('/api/judging/crosses', { params: { query: { crop } } })),
    }),
  scores: (crop: string, plant: string) =>
    queryOptions({
      queryKey: ['judging', crop, 'scores', plant],
      queryFn: () => answer(api.GET('/api/scores', { params: { query: { crop, plant } } })),
    }),
  rivers: () =>
    queryOptions({
      queryKey: ['seed-lots', 'rivers'],
      queryFn: () => answer(api.GET('/api/seed-lots/rivers')),
    }),
  seedDemand: (crop: string, trees: number) =>
    queryOptions({
      queryKey: ['seed-lots', 'demand', crop, trees],
      queryFn: () => answer(api.GET('/api/seed-lots/demand', { params: { query: { crop, trees } } })),
    }),
  limbs: () => queryOptions({ queryKey: ['limbs'], queryFn: () => answer(api.GET('/api/limbs')) }),
  fruit: (id: string) =>
    queryOptions({
      queryKey: ['fruits', id],
      queryFn: () => answer(api.GET('/api/fruits/{id}', { params: { path: { id } } })),
    }),
  fruits: () => queryOptions({ queryKey: ['fruits'], queryFn: () => answer(api.GET('/api/fruits')) }),
  fallen: (tree: string, sepalsMissing?: boolean) =>
    queryOptions({
      queryKey: ['fallen', tree, sepalsMissing ?? 'unseen'],
      queryFn: () =>
        answer(
          api.GET('/api/trees/{tree}/fallen', {
            params: { path: { tree }, query: sepalsMissing === undefined ? {} : { sepalsMissing } },
          }),
        ),
    }),
  findings: (of: OfSeason) =>
    queryOptions({
      queryKey: ['findings', of],
      queryFn: () => answer(api.GET('/api/findings', { params: { query: of } })),
    }),
  retention: (of: OfSeason, factor: Schemas['FactorFinding']['factor']) =>
    queryOptions({
      queryKey: ['retention', of, factor],
      queryFn: () => answer(api.GET('/api/findings/retention', { params: { query: { ...of, factor } } })),
    }),
  causes: (of: OfSeason) =>
    queryOptions({
      queryKey: ['causes', of],
      queryFn: () => answer(api.GET('/api/findings/causes', { params: { query: of } })),
    }),
  worst: (of: OfSeason) =>
    queryOptions({
      queryKey: ['worst', of],
      queryFn: () => answer(api.GET('/api/findings/worst', { params: { query: of } })),
    }),
  failure: (of: OfSeason, kind: Schemas['WorstLine']['kind'], key: string) =>
    queryOptions({
      queryKey: ['failure', of, kind, key],
      queryFn: () => answer(api.GET('/api/findings/failure', { params: { query: { ...of, kind, key } } })),
    }),
  seasonReport: (of: OfSeason) =>
    queryOptions({
      queryKey: ['season-report', of],
      queryFn: () => answer(api.GET('/api/findings/season', { params: { query: of } })),
    }),
  learned: () => queryOptions({ queryKey: ['learned'], queryFn: () => answer(api.GET('/api/learned')) }),
  trialSize: (one: number, other: number, power: number) =>
    queryOptions({
      queryKey: ['trial-size', one, other, power],
      queryFn: () => answer(api.GET('/api/trial-size', { params: { query: { one, other, power } } })),
    }),
  comparisons: () =>
    queryOptions({ queryKey: ['comparisons'], queryFn: () => answer(api.GET('/api/comparisons')) }),
  season: () => queryOptions({ queryKey: ['season'], queryFn: () => answer(api.GET('/api/season')) }),
  weather: (block = '') =>
    queryOptions({
      queryKey: ['weather', block],
      queryFn: () => answer(api.GET('/api/weather', { params: { query: block ? { block } : {} } })),
    }),
  handNeed: () => queryOptions({ queryKey: ['hand-need'], queryFn: () => answer(api.GET('/api/hand-need')) }),
  ownSheet: (crop: string) =>
    queryOptions({
      queryKey: ['own-sheet', crop],
      queryFn: () => answer(api.GET('/api/crops/{crop}/own', { params: { path: { crop } } })),
    }),
  stageKey: (crop: string, answers: Record<string, string>, anyHour: boolean) =>
    queryOptions({
      queryKey: ['stage-key', crop, answers, anyHour],
      queryFn: () => answer(api.POST('/api/stage-key', { body: { crop, answers, anyHour } })),
    }),
};
