import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { smallerLetters } from './smaller-letters'

/** The packages, and what of the core every page is worked out with: not what `@vivid/core/further` brings. */
const isBase = (id: string): boolean =>
  /node_modules\/(@vue|vue|decimal\.js|fast-deep-equal)\//.test(id) ||
  (/core\/src\/(guards|loan|money|rates|dates|formula|calculator\/(evaluate|sheets|document|program|answers))\//.test(
    id,
  ) &&
    !/further|composites|read-loans|loans-as-figures|paid-off|rungs|ladder-lists|side-by-side|what-if|figures|narrowed|functions\/(index|time|loans|rates)|level-payment-exact/.test(
      id,
    ))

/** The words every page is drawn with; those of a part come with the part. */
const isWords = (id: string): boolean =>
  /contract\/src\/wording\/(answer-text|figures|format-as-typed|intl|literally|problem-sentences|read-|readout-text|languages\/(index|english|page\/english))/.test(
    id,
  )

export default defineConfig({
  base: '/visitor/',
  plugins: [vue(), smallerLetters()],
  define: {
    __VUE_OPTIONS_API__: 'false',
    __VUE_PROD_DEVTOOLS__: 'false',
    __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: 'false',
  },
  build: {
    target: 'es2022',
    sourcemap: false,
    modulePreload: {
      polyfill: false,
      // A part that is fetched later names its styles and leaves its scripts to the browser.
      resolveDependencies: (_file, needed, { hostType }) =>
        hostType === 'html' ? needed : needed.filter((name) => name.endsWith('.css')),
    },
    // What every page needs at once, in one file: it packs better than in five.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [{ name: 'base', test: (id) => isBase(id) || isWords(id) }],
        },
      },
    },
  },
})
