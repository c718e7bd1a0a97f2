import type { Schemas } from '../api/api';

type Question = Schemas['Comparison']['question'];

export const QUESTIONS: { value: Question; label: string }[] = [
  { value: 'NATURE', label: 'Does the hand add to what nature does?' },
  { value: 'DESICCANT', label: 'Does desiccant matter?' },
  { value: 'SECOND_VISIT', label: 'Does a second visit matter?' },
  { value: 'FULL_COVER', label: 'Does covering the whole stigma matter?' },
  { value: 'STAGE', label: 'At which stage do flowers set best?' },
  { value: 'TOOL', label: 'Which tool?' },
  { value: 'OWN', label: 'A question of my own' },
];
