import vue from '@vitejs/plugin-vue'
import { defineConfig, type Plugin } from 'vite'
import { smallerLetters } from './smaller-letters'

/**
 * Parts that are fetched later have their styles in the page's own file, so nothing has to be fetched before them: the
 * bundler's helper for that, on every page, becomes nothing. A part with styles of its own is refused.
 */
const partsWithoutStyles: Plugin = {
  name: 'parts-without-styles',
  enforce: 'pre',
  load: (id) =>
    id.endsWith('vite/preload-helper.js') ? 'export const __vitePreload = (fetch) => fetch()' : null,
  generateBundle(_, bundle) {
    const styles = Object.keys(bundle).filter((name) => name.endsWith('.css'))
    if (styles.length > 1) this.error(`styles belong into those of the page (begin.ts): ${styles.join(', ')}`)
  },
}

export default defineConfig({
  base: '/visitor/',
  plugins: [vue(), smallerLetters(), partsWithoutStyles],
  // Modules before what was made for older browsers: no helper for CommonJS is needed then.
  resolve: { mainFields: ['module', 'main'] },
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
      resolveDependencies: (_file, needed, { hostType }) => (hostType === 'html' ? needed : []),
    },
    rolldownOptions: {
      // Constants are written where they are used, across files.
      optimization: { inlineConst: { mode: 'all', pass: 3 } },
      output: {
        // What every page needs at once, in one file: it packs better than in five.
        codeSplitting: { groups: [{ name: 'page', test: /visitor\/src\/begin\.ts$/ }] },
        // All of it is used at once: browsers that know this compile it while it arrives, not call by call while they should draw.
        postBanner: ({ name }) => (name === 'page' ? '//# allFunctionsCalledOnLoad' : ''),
      },
    },
  },
})
