import { QueryClientProvider } from '@tanstack/react-query'
import { FreshQueryClient } from './api/FreshQueryClient'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './App'
import { speakAsBefore } from './shared/language'
import { applyTheme } from './shared/theme'
import './styles.css'

applyTheme()

// While it is being worked on, nothing is held.
if (import.meta.env.PROD) void navigator.serviceWorker?.register('/sw.js')

// Whether the machine has a network says nothing about a server that may run on it: what cannot be reached says so itself.
const networkMode = 'always'
const queries = new FreshQueryClient({
  defaultOptions: {
    queries: { networkMode, retry: 1, staleTime: 5_000, refetchOnReconnect: true },
    mutations: { networkMode },
  },
})

// Where its words cannot be fetched the first language does.
void speakAsBefore()
  .catch(() => undefined)
  .then(() =>
    createRoot(document.getElementById('root')!).render(
      <StrictMode>
        <QueryClientProvider client={queries}>
          <App />
        </QueryClientProvider>
      </StrictMode>,
    ),
  )
