import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { Toaster } from 'sonner';
import { createQueryClient } from './api/query-client';
import { ThemeProvider } from './controls/theme';
import { Tooltips } from './controls/tooltip';
import { StageLinks } from './frame/stage-links';
import { createRouter } from './router';
import { STAGES, TELLING } from './stages';
import './styles/app.css';
import { TellingOfStages } from './telling/telling-stages';

const root = document.getElementById('root');
if (!root) throw new Error('the page has no #root to render into');
createRoot(root).render(
  <StrictMode>
    <ThemeProvider>
      <QueryClientProvider client={createQueryClient()}>
        <Tooltips>
          <StageLinks value={STAGES}>
            <TellingOfStages value={TELLING}>
              <RouterProvider router={createRouter()} />
            </TellingOfStages>
          </StageLinks>
          <Toaster position="bottom-center" toastOptions={{ className: 'ivlen-toast' }} />
        </Tooltips>
      </QueryClientProvider>
    </ThemeProvider>
  </StrictMode>,
);
