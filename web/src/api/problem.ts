import { t, tell } from '../text/text';
import type { Schemas } from './api';

/** What is wrong with a field; with a text where it has its words in every language. */
export interface FieldProblem {
  field: string;
  message: string;
  text?: Schemas['Text'];
}

/** A problem detail (RFC 9457) as the server sends it. */
export interface Problem {
  type?: string;
  title?: string;
  detail?: string;
  /** The detail, where it has its words in every language. */
  text?: Schemas['Text'];
  errors?: FieldProblem[];
  confirm?: string;
}

/** The server refused; its reason is in {@link problem}. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(
      problem.text
        ? tell(problem.text)
        : (problem.detail ?? problem.title ?? t('problem.status', { status })),
    );
  }

  get signedOut(): boolean {
    return this.status === 401;
  }

  /** The question's key when the server only wants a confirmation. */
  get question(): string | undefined {
    return this.problem.confirm;
  }
}

/** What is wrong, as a sentence that follows the field's name. */
export const saidOf = (problem: FieldProblem): string =>
  problem.text ? tell(problem.text) : problem.message;

/** The same with the field's name before it. */
export const saidBeside = (label: string, problem: FieldProblem): string =>
  t('refused.beside', { label, message: saidOf(problem) });

/** There was no answer: no network, or the server is down. */
export class OutOfReach extends Error {
  constructor() {
    super(t('problem.out-of-reach'));
  }
}
