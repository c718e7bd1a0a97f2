import { Drawer } from '@mantine/core';
import type { ReactNode } from 'react';
import { t } from '../text/text';

/** All pages, from below on a phone. */
export const MorePages = ({ close, children }: { close: () => void; children: ReactNode }) => (
  <Drawer opened onClose={close} position="bottom" title={t('page.all')} size="auto" padding={0}>
    <div className="nav" style={{ height: 'auto', position: 'static', display: 'flex' }}>
      {children}
    </div>
  </Drawer>
);
