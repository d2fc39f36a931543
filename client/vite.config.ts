import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react(), tailwindcss()],
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
