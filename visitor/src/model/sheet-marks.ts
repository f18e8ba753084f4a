import type { RateSheet } from '@vivid/core/evaluate'

/** A short mark of each sheet, another one whenever what it says is another. */
export const marksOf = (sheets: readonly RateSheet[]): Readonly<Record<string, string>> =>
  Object.fromEntries(sheets.map((sheet) => [sheet.id, markOf(JSON.stringify(sheet.versions))]))

/** FNV-1a, 32 bits: tells a change from none, and keeps nothing secret. */
function markOf(text: string): string {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return (hash >>> 0).toString(36)
}
