import { t } from '../text/text';
/** A problem detail (RFC 9457) as the server sends it. */
export interface Problem {
  type?: string;
  title?: string;
  detail?: string;
  errors?: { field: string; message: string }[];
  confirm?: string;
}

/** The server refused; its reason is in {@link problem}. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.detail ?? problem.title ?? t('problem.status', { status }));
  }

  get signedOut(): boolean {
    return this.status === 401;
  }

  /** The question's key when the server only wants a confirmation. */
  get question(): string | undefined {
    return this.problem.confirm;
  }
}

/** There was no answer: no network, or the server is down. */
export class OutOfReach extends Error {
  constructor() {
    super(t('problem.out-of-reach'));
  }
}
