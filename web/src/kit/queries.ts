import { queryOptions } from '@tanstack/react-query';
import { answer, api } from './api';

export const queries = {
  setup: () => queryOptions({ queryKey: ['setup'], queryFn: () => answer(api.GET('/api/setup')) }),
  session: () => queryOptions({ queryKey: ['session'], queryFn: () => answer(api.GET('/api/session')) }),
  crops: () =>
    queryOptions({ queryKey: ['crops'], queryFn: () => answer(api.GET('/api/crops')), staleTime: Infinity }),
  varieties: () =>
    queryOptions({ queryKey: ['varieties'], queryFn: () => answer(api.GET('/api/varieties')) }),
  trees: () => queryOptions({ queryKey: ['trees'], queryFn: () => answer(api.GET('/api/trees')) }),
  light: (hours: number) =>
    queryOptions({
      queryKey: ['light', hours],
      queryFn: () => answer(api.GET('/api/light', { params: { query: { hours } } })),
    }),
  bloom: (hours: number) =>
    queryOptions({
      queryKey: ['bloom', hours],
      queryFn: () => answer(api.GET('/api/bloom', { params: { query: { hours } } })),
    }),
  readings: (id: string) =>
    queryOptions({
      queryKey: ['readings', id],
      queryFn: () => answer(api.GET('/api/trees/{id}/readings', { params: { path: { id } } })),
    }),
  lots: () => queryOptions({ queryKey: ['lots'], queryFn: () => answer(api.GET('/api/lots')) }),
  round: (at?: string) =>
    queryOptions({
      queryKey: ['round', at ?? 'best'],
      queryFn: () => answer(api.GET('/api/round', { params: { query: at ? { at } : {} } })),
    }),
  fruitSet: () => queryOptions({ queryKey: ['fruit-set'], queryFn: () => answer(api.GET('/api/fruit-set')) }),
  findings: () => queryOptions({ queryKey: ['findings'], queryFn: () => answer(api.GET('/api/findings')) }),
};
