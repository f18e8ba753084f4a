import { defineConfig } from 'vite'

/** The placement script is one plain script beside the page's files. */
export default defineConfig({
  build: {
    target: 'es2019',
    emptyOutDir: false,
    copyPublicDir: false,
    lib: {
      entry: 'src/embed/embed.ts',
      formats: ['iife'],
      name: 'vividMeterPlacement',
      fileName: () => 'embed.js',
    },
  },
})
