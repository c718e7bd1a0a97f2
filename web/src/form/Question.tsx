import { lazy, Suspense } from 'react';

const QuestionDialog = lazy(async () => ({ default: (await import('./QuestionDialog')).QuestionDialog }));

export interface Asked {
  text: string;
  yes: () => void;
  no: () => void;
}

/** A plain question of the server, answered with yes or no. */
export const Question = ({ question }: { question: Asked | undefined }) =>
  question && (
    <Suspense fallback={null}>
      <QuestionDialog question={question} />
    </Suspense>
  );
