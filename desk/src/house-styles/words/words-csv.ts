import { writeCsv } from '@vivid/contract/formats'
import { phraseFaults, phraseFaultSaid, type Phrases } from '@vivid/contract/own-words'
import { readTable, type TableFault } from '../../shared/text-tables/read-table'

const [PHRASE, ENGLISH, AS_IT_IS, YOURS] = ['phrase', 'English', 'as it is', 'yours'] as const

/**
 * A language's phrases as CSV: a line each, with the name, the wording in English and in the language as the product has it
 * (empty where it has none), and the lender's own, to be filled in.
 */
export const writeWords = (english: Phrases, asItIs: Phrases, own: Phrases): string =>
  writeCsv([
    [PHRASE, ENGLISH, AS_IT_IS, YOURS],
    ...Object.entries(english).map(([phrase, text]) => [
      phrase,
      text,
      asItIs[phrase] ?? '',
      own[phrase] ?? '',
    ]),
  ])

export type WordsRead =
  | { readonly ok: true; readonly phrases: Phrases }
  | { readonly ok: false; readonly faults: readonly TableFault[] }

/** Reads the lender's own wording of a language, by its two letters, back, all or nothing; a phrase whose cell is empty stays as it is. */
export function readWords(text: string, english: Phrases, letters: string): WordsRead {
  const table = readTable(text, (heading) => heading === PHRASE || heading === YOURS)
  const [at, own] = [table.head.indexOf(PHRASE), table.head.indexOf(YOURS)]
  const faults: TableFault[] = [...table.faults]
  for (const [column, place] of [
    [PHRASE, at],
    [YOURS, own],
  ] as const)
    if (place < 0) faults.push({ row: 1, column, what: `a column “${column}” is needed` })
  if (faults.length > 0) return { ok: false, faults }
  const phrases: Record<string, string> = {}
  for (const [i, line] of table.lines.entries()) {
    const [phrase = '', said = ''] = [line[at], line[own]]
    const row = i + 2
    if (said === '') {
      if (phrase !== '' && !Object.hasOwn(english, phrase))
        faults.push({ row, column: PHRASE, what: phraseFaultSaid({ phrase, why: 'unknown' }) })
      continue
    }
    if (Object.hasOwn(phrases, phrase))
      faults.push({ row, column: PHRASE, what: `“${phrase}” stands here twice` })
    for (const fault of phraseFaults({ [phrase]: said }, english, letters))
      faults.push({
        row,
        column: fault.why === 'unknown' ? PHRASE : YOURS,
        what: phraseFaultSaid(fault),
      })
    phrases[phrase] = said
  }
  return faults.length > 0 ? { ok: false, faults } : { ok: true, phrases }
}
