/** Where some of the demo's calculators stand in the list, by their addresses. */
const folders: Readonly<Record<string, readonly string[]>> = {
  'Boats and engines': [
    'narrowboat-loan',
    'which-offer-for-the-boat',
    'marine-engine-loan',
    'replace-your-boat-loan',
    'paying-off-the-boat',
  ],
  'First homes': [
    'first-floating-home-insured',
    'liveaboard-mortgage-insured',
    'what-floating-home-can-you-afford',
  ],
}

/** The folder a calculator of the demo stands in; empty: none. */
export const demoFolderOf = (slug: string): string =>
  Object.keys(folders).find((name) => folders[name]?.includes(slug)) ?? ''
