import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/fraunces';
import './ui/mantine-styles';
import './ui/look.css';

import { MantineProvider } from '@mantine/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { registerSW } from 'virtual:pwa-register';
import { App } from './App';
import { client } from './api/client';
import { keepAnswers, restoreAnswers } from './offline/kept-answers';
import { outboxRead, sendWhenPossible } from './offline/outbox';
import { queries } from './api/queries';
import { theme } from './ui/theme';
import { calendarDay, dayAndClock } from './format/time';
import { speakAsBefore } from './text/locale';
import { writeMoments } from './text/text';

const Notices = lazy(async () => ({ default: (await import('./ui/notices')).Notices }));

/** Without storage the application works as long as there is a connection. */
const ready = restoreAnswers(client).then(
  () => {
    keepAnswers(client);
    sendWhenPossible();
    void navigator.storage?.persist?.();
  },
  () => undefined,
);

writeMoments({
  at: (iso) =>
    dayAndClock(new Date(iso), client.getQueryData(queries.session().queryKey)?.orchard.zone ?? 'UTC'),
  day: calendarDay,
});

void Promise.all([ready, outboxRead, speakAsBefore()]).then(() =>
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <MantineProvider theme={theme} forceColorScheme="light">
        <Suspense fallback={null}>
          <Notices />
        </Suspense>
        <QueryClientProvider client={client}>
          <BrowserRouter>
            <App />
          </BrowserRouter>
        </QueryClientProvider>
      </MantineProvider>
    </StrictMode>,
  ),
);

registerSW({ immediate: true });
