import type { Schemas } from '../kit/api';

type Question = Schemas['Comparison']['question'];
type Way = Schemas['ComparisonWay'];

export const QUESTIONS: { value: Question; label: string }[] = [
  { value: 'NATURE', label: 'Does the hand add to what nature does?' },
  { value: 'DESICCANT', label: 'Does desiccant matter?' },
  { value: 'SECOND_VISIT', label: 'Does a second visit matter?' },
  { value: 'FULL_COVER', label: 'Does covering the whole stigma matter?' },
  { value: 'TOOL', label: 'Which tool?' },
  { value: 'OWN', label: 'A question of my own' },
];

const hand = (name: string, more: Partial<Way> = {}): Way => ({ name, treatment: 'HAND', ...more });

/** The ways that a question compares, the usual one first. */
export function waysOf(question: Question, names: [string, string], bagged: boolean): Way[] {
  switch (question) {
    case 'NATURE':
      return [
        { name: 'left to nature', treatment: 'NATURE' },
        hand('by hand'),
        ...(bagged ? [{ name: 'bagged, no pollen', treatment: 'BAGGED' } as Way] : []),
      ];
    case 'DESICCANT':
      return [hand('without desiccant'), hand('with desiccant')];
    case 'SECOND_VISIT':
      return [hand('once'), hand('twice, a day apart')];
    case 'FULL_COVER':
      return [hand('once in and out', { strokes: 'LIGHT' }), hand('all round', { strokes: 'FULL' })];
    case 'TOOL':
      return names.map((n) => hand(n.trim(), { tool: n.trim() }));
    case 'OWN':
      return names.map((n) => hand(n.trim()));
  }
}
