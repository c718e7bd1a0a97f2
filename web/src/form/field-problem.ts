import { createContext, useContext } from 'react';
import type { Submit } from './use-submit';

/** How the fields of a form learn what the server says of them. */
export const FieldProblems = createContext<Submit<never>['errorFor']>(() => undefined);

/** What is wrong with a field of the form around it, as a sentence with its label. */
export const useFieldProblem = (name: string, label: string): string | undefined =>
  useContext(FieldProblems)(name, label);
