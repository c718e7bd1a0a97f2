import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/api';

export type Line = Schemas['StoryLine'];

/** Whose story is asked for. */
export interface StoryOf {
  tree?: string;
  variety?: string;
  block?: string;
  lot?: string;
  cross?: string;
  person?: string;
}

/** A story, a page at a time, the latest first. */
export const storyQuery = (of: StoryOf, kinds: string[], removed: boolean) =>
  infiniteQueryOptions({
    queryKey: ['story', of, kinds, removed],
    queryFn: ({ pageParam }) =>
      answer(
        api.GET('/api/story', {
          params: {
            query: {
              ...of,
              removed,
              ...(kinds.length > 0 && { kinds }),
              ...(pageParam && { before: pageParam }),
            },
          },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (last: Schemas['StoryView']) => last.before,
  });

export const historyQuery = (kind: string, id: string) =>
  queryOptions({
    queryKey: ['story', kind, id, 'history'],
    queryFn: () => answer(api.GET('/api/story/{kind}/{id}/history', { params: { path: { kind, id } } })),
  });

export const effectsQuery = (kind: string, id: string) =>
  queryOptions({
    queryKey: ['story', kind, id, 'effects'],
    queryFn: () => answer(api.GET('/api/story/{kind}/{id}/effects', { params: { path: { kind, id } } })),
  });

export const searchQuery = (q: string) =>
  queryOptions({
    queryKey: ['search', q],
    queryFn: () => answer(api.GET('/api/search', { params: { query: { q } } })),
    enabled: q !== '',
  });
