import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

/** The same page as one module for Node.js, with all it needs: the server draws with it. */
export default defineConfig({
  plugins: [vue()],
  define: { __VUE_OPTIONS_API__: 'false', __VUE_PROD_DEVTOOLS__: 'false' },
  publicDir: false,
  build: {
    ssr: 'src/drawn-by-server.ts',
    outDir: '../server/dist/page',
    emptyOutDir: true,
    target: 'node20',
  },
  ssr: { noExternal: true },
})
