/** The desk's areas in the order of its header. */
export const areas: readonly { readonly path: string; readonly name: string }[] = [
  { path: '/', name: 'Calculators' },
  { path: '/rate-sheets', name: 'Rate sheets' },
  { path: '/house-styles', name: 'House styles' },
  { path: '/placements', name: 'Placements' },
  { path: '/audience', name: 'Audience' },
  { path: '/channels', name: 'Channels' },
  { path: '/record', name: 'Record' },
  { path: '/people', name: 'People' },
]

/** The area a page belongs to. */
export const areaOf = (path: string): string =>
  areas.find((area) => area.path !== '/' && path.startsWith(area.path))?.path ??
  (path === '/' || path.startsWith('/calculators') ? '/' : '')
