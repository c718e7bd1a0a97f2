import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { refresh } from '../api/client';
import { anythingWaits, keep } from '../offline/outbox';
import { type FieldProblem, OutOfReach, ProblemError, saidBeside } from '../api/problem';

/** What becomes of a form where there is no connection: it is kept on this device and sent later. */
interface WhenOutOfReach<A> {
  write: (argument: A) => Parameters<typeof keep>[0];
  kept: () => void;
}

export interface Submit<A> {
  submit: (argument: A) => void;
  busy: boolean;
  /** The message for a field, to stand beside it; the label makes it a sentence. */
  errorFor: (field: string, label: string) => string | undefined;
  /** Everything that is wrong, field by field. */
  problems: FieldProblem[];
  /** What is wrong beyond the fields that were asked for. */
  general: string | undefined;
  /** A question of the server, with the way to say yes or no. */
  question: { text: string; yes: () => void; no: () => void } | undefined;
}

/** Whether a problem is of a form's field: `breeding.ploidy` is of `ploidy`. */
const names = (problem: string, field: string): boolean => problem === field || problem.endsWith(`.${field}`);

/**
 * Sends a form. Errors stand beside their fields, a question of the server waits for an answer, and nothing typed is lost: the
 * form's values stay where they are.
 *
 * @param send does the sending; `confirmed` are the questions answered with yes
 * @param whenOutOfReach keeps it where there is no connection; without it the form stays and says so
 * @param shown fields that the form shows errors for itself
 */
export function useSubmit<A, R>(
  send: (argument: A, confirmed: string[]) => Promise<R>,
  shown: string[],
  done: (result: R, argument: A) => void,
  whenOutOfReach?: WhenOutOfReach<A>,
): Submit<A> {
  const client = useQueryClient();
  const [asked, setAsked] = useState<{ argument: A }>();
  const mutation = useMutation({
    mutationFn: async ({ argument, confirmed }: { argument: A; confirmed: string[] }) => {
      // What was written before goes first.
      if (whenOutOfReach && (await anythingWaits())) throw new OutOfReach();
      return send(argument, confirmed);
    },
    onSuccess: async (result, { argument }) => {
      await refresh(client);
      done(result, argument);
    },
    onError: async (error, { argument }) => {
      if (error instanceof OutOfReach && whenOutOfReach) {
        await keep(whenOutOfReach.write(argument));
        whenOutOfReach.kept();
      }
    },
    // Sent at once even where the browser believes that there is no network: then it is known to be out of reach.
    networkMode: 'always',
  });
  const error = mutation.error;
  const problem = error instanceof ProblemError ? error : undefined;
  const fields = problem?.problem.errors ?? [];
  const elsewhere = fields.filter((f) => !shown.some((name) => names(f.field, name)));
  const question = problem?.question;
  return {
    submit: (argument) => {
      setAsked({ argument });
      mutation.mutate({ argument, confirmed: [] });
    },
    busy: mutation.isPending,
    errorFor: (field, label) => {
      const found = fields.find((f) => names(f.field, field));
      return found && saidBeside(label, found);
    },
    problems: fields,
    general: question
      ? undefined
      : fields.length > 0
        ? elsewhere.map((f) => saidBeside(f.field, f)).join(' ') || undefined
        : error instanceof OutOfReach && whenOutOfReach
          ? undefined
          : error?.message,
    question:
      question && asked
        ? {
            text: error?.message ?? '',
            yes: () => mutation.mutate({ ...asked, confirmed: [question] }),
            no: () => mutation.reset(),
          }
        : undefined,
  };
}
