import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/fraunces';
import '@mantine/core/styles.css';
import '@mantine/notifications/styles.css';
import './kit/look.css';

import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './App';
import { ProblemError } from './kit/problem';
import { theme } from './kit/theme';

const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // A refusal stays a refusal; only a missing answer is worth asking again.
      retry: (times, error) => !(error instanceof ProblemError) && times < 2,
    },
  },
});

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
);
