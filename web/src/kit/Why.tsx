import { Popover } from '@mantine/core';
import type { ReactNode } from 'react';

/** A number that can be asked "why?": opens what it was reckoned from. */
export function Why({
  children,
  because,
  label,
}: {
  children: ReactNode;
  because: ReactNode;
  label?: string;
}) {
  return (
    <Popover width={320} position="bottom-start" shadow="md" withArrow trapFocus={false}>
      <Popover.Target>
        <button type="button" className="why" aria-label={label ? `${label}: why?` : undefined} title="Why?">
          {children}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <div className="small stack" style={{ gap: 6, fontFamily: 'var(--sans)', letterSpacing: 0 }}>
          {because}
        </div>
      </Popover.Dropdown>
    </Popover>
  );
}
