import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/fraunces';
import './kit/mantine-styles';
import './kit/look.css';

import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { registerSW } from 'virtual:pwa-register';
import { App } from './App';
import { client } from './kit/client';
import { keepAnswers, restoreAnswers } from './kit/kept-answers';
import { outboxRead, sendWhenPossible } from './kit/outbox';
import { theme } from './kit/theme';

/** Without storage the application works as long as there is a connection. */
const ready = restoreAnswers(client).then(
  () => {
    keepAnswers(client);
    sendWhenPossible();
    void navigator.storage?.persist?.();
  },
  () => undefined,
);

void Promise.all([ready, outboxRead]).then(() =>
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <MantineProvider theme={theme} forceColorScheme="light">
        <Notifications position="bottom-right" />
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
