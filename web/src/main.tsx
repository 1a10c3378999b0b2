import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App';
import { Problem } from './api/client';
import { Mishap } from './pieces/Mishap';
import { NoticeBoard } from './pieces/Notice';
import { inOutbox } from './pieces/outbox';
import './index.css';

const queries = new QueryClient({
  defaultOptions: {
    // Without a network an edit is refused in words: one that waits unseen for its return would be taken for done.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      refetchOnReconnect: true,
      staleTime: 5_000,
      retry: (tries, error) => tries < 2 && !(error instanceof Problem && error.status > 0),
    },
  },
});

// What shows already may still be on its way, to the server or to what the device keeps: who leaves now is asked.
window.addEventListener('beforeunload', (event) => {
  if (queries.isMutating() > 0 || inOutbox().some((act) => !act.isKept)) event.preventDefault();
});

const root = document.getElementById('root');
if (!root) throw new Error('The page has no root element.');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <NoticeBoard>
        <Mishap>
          <App />
        </Mishap>
      </NoticeBoard>
    </QueryClientProvider>
  </StrictMode>,
);
