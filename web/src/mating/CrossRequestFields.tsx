import { NativeSelect, NumberInput } from '@mantine/core';
import { priorityChoices } from '../ui/priorities';

/** What is wanted of a cross, as it is typed. */
export interface CrossRequestDraft {
  flowers: number | string;
  seeds: number | string;
  priority: string;
}

/** Flowers or seeds, and what comes first. */
export function CrossRequestFields({
  draft,
  set,
  errorFor,
}: {
  draft: CrossRequestDraft;
  set: (draft: CrossRequestDraft) => void;
  errorFor: (field: string, label: string) => string | undefined;
}) {
  return (
    <div className="line" style={{ alignItems: 'flex-end' }}>
      <NumberInput
        label="Flowers wanted"
        description="empty: as the seeds ask for"
        min={1}
        w={190}
        value={draft.flowers}
        onChange={(flowers) => set({ ...draft, flowers })}
        error={errorFor('flowers', 'Flowers') ?? errorFor('fatherId', 'The pollen parent')}
      />
      <NumberInput
        label="Seeds wanted"
        description="may stay empty"
        min={1}
        w={170}
        value={draft.seeds}
        onChange={(seeds) => set({ ...draft, seeds })}
        error={errorFor('seeds', 'Seeds')}
      />
      <NativeSelect
        label="Priority"
        description="when pollen is short"
        data={priorityChoices}
        value={draft.priority}
        onChange={(e) => set({ ...draft, priority: e.currentTarget.value })}
      />
    </div>
  );
}

/** As it is sent; what is empty stays out. */
export const requested = (d: CrossRequestDraft) => ({
  priority: Number(d.priority),
  ...(d.flowers !== '' && { flowers: Number(d.flowers) }),
  ...(d.seeds !== '' && { seeds: Number(d.seeds) }),
});
