import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  base: '/visitor/',
  plugins: [vue()],
  define: { __VUE_OPTIONS_API__: 'false', __VUE_PROD_DEVTOOLS__: 'false' },
  build: { target: 'es2022', sourcemap: false, modulePreload: { polyfill: false } },
})
