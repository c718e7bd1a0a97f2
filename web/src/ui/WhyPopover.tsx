import { Popover } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import type { ReactNode } from 'react';
import { WhyButton, type WhyProps } from './Why';

/** The answer beside its number, open at first: it was just asked for. */
export function WhyPopover({ because, ...button }: WhyProps & { because: ReactNode }) {
  const [opened, { toggle, close }] = useDisclosure(true);
  return (
    <Popover
      opened={opened}
      onDismiss={close}
      width={320}
      position="bottom-start"
      shadow="md"
      withArrow
      trapFocus={false}
    >
      <Popover.Target>
        {/* It takes the place of the button that was pressed, so the focus stays. */}
        {/* eslint-disable-next-line jsx-a11y/no-autofocus */}
        <WhyButton {...button} onClick={toggle} autoFocus />
      </Popover.Target>
      <Popover.Dropdown>
        <div className="small stack" style={{ gap: 6, fontFamily: 'var(--sans)', letterSpacing: 0 }}>
          {because}
        </div>
      </Popover.Dropdown>
    </Popover>
  );
}
