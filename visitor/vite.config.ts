import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

/** The packages, and what of the core every page is worked out with: not what `@vivid/core/further` brings. */
const isBase = (id: string): boolean =>
  /node_modules\/(@vue|vue|decimal\.js|fast-deep-equal)\//.test(id) ||
  (/core\/src\/(loan|money|rates|dates|formula|calculator\/(evaluate|sheets|document))\//.test(id) &&
    !/further|composites|side-by-side|what-if|figures|narrowed|functions\/(index|time|loans|rates)|level-payment-exact/.test(
      id,
    ))

export default defineConfig({
  base: '/visitor/',
  plugins: [vue()],
  define: { __VUE_OPTIONS_API__: 'false', __VUE_PROD_DEVTOOLS__: 'false' },
  build: {
    target: 'es2022',
    sourcemap: false,
    modulePreload: { polyfill: false },
    // What every page needs at once, in one file: it packs better than in five.
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: 'base', test: isBase }] } },
    },
  },
})
