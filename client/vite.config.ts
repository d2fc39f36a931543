import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { languages } from './scripts/languages'

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    languages(),
    // A day at the bench goes on without a connection: the application and the day are held by the browser.
    VitePWA({
      injectRegister: null,
      manifest: {
        name: 'Young Tinge',
        short_name: 'Young Tinge',
        description: 'Plans the colour of sugar flowers, from paste to glaze.',
        start_url: '/bench',
        display: 'standalone',
        background_color: '#f4f4f4',
        theme_color: '#f4f4f4',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: null,
        directoryIndex: null,
        skipWaiting: true,
        clientsClaim: true,
        cleanupOutdatedCaches: true,
        runtimeCaching: [
          {
            // The newest build while the server answers at once, else the one that is held: a bench begins in under a second.
            urlPattern: ({ request, url }) => request.mode === 'navigate' && !/^\/(api|in|guest)\//.test(url.pathname),
            handler: 'NetworkFirst',
            options: {
              cacheName: 'pages',
              networkTimeoutSeconds: 0.7,
              precacheFallback: { fallbackURL: '/index.html' },
            },
          },
        ],
      },
    }),
  ],
  build: {
    // Straight into the folder that the server serves.
    outDir: '../src/YoungTinge.Web/wwwroot',
    emptyOutDir: true,
    // What each page fetches: how much that may be is tested.
    manifest: true,
    modulePreload: { polyfill: false },
    // Fonts stay files: the content policy allows no fonts inside the style sheet.
    assetsInlineLimit: 0,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
})
