import { createContext, useContext } from 'react';
import type { Submit } from './use-submit';

/** How the fields of a form learn what the server says of them. */
export const FieldProblems = createContext<Submit<never>['errorFor'] | null>(null);

/** What is wrong with a field of the form around it, as a sentence with its label. */
export function useFieldProblem(name: string, label: string): string | undefined {
  const errorFor = useContext(FieldProblems);
  if (!errorFor)
    throw new Error(`The field ${name} stands in no RecordForm, so that its problems would be lost.`);
  return errorFor(name, label);
}
