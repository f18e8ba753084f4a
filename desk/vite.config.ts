import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  base: '/desk/',
  plugins: [vue()],
  define: { __VUE_PROD_DEVTOOLS__: 'false' },
  build: { target: 'es2022', chunkSizeWarningLimit: 2000 },
})
