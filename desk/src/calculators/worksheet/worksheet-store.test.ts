// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { readBook, readingOf, type Reading } from '@vivid/worksheet'
import { bookOf } from '../../../../worksheet/src/testing/books'
import { readAs } from './cell-words'
import { useWorksheet } from './worksheet-store'
import { saveWorksheet } from './save-worksheet'
import type { WorksheetReply, WorksheetRequest } from './worksheet-worker'

const threads: FakeThread[] = []
class FakeThread {
  onmessage: ((event: { data: WorksheetReply }) => void) | undefined
  asked: WorksheetRequest[] = []
  isEnded = false
  constructor() {
    threads.push(this)
  }
  postMessage(request: WorksheetRequest): void {
    this.asked.push(request)
  }
  terminate(): void {
    this.isEnded = true
  }
  says(data: WorksheetReply): void {
    this.onmessage?.({ data })
  }
}

const bytes = await bookOf({ A1: 'Rate', B1: 0.05, A2: 'Twice', B2: { formula: 'B1*2', result: 0.1 } })
const reading: Reading = readingOf(await readBook(bytes), 'Rates')
const file = () => new Blob([bytes.slice().buffer as ArrayBuffer])

beforeEach(() => {
  threads.length = 0
  setActivePinia(createPinia())
  vi.stubGlobal('Worker', FakeThread)
})

async function opened() {
  const worksheet = useWorksheet()
  await worksheet.open(file(), 'my_house-boat.xlsx')
  return worksheet
}

test('a file is read with how far it is, and what the file does not tell is asked', async () => {
  const worksheet = await opened()
  expect([worksheet.title, worksheet.done]).toEqual(['My house boat', 0])
  expect(threads[0]?.asked[0]?.bytes).toEqual(bytes)
  threads[0]?.says({ done: 0.4 })
  expect(worksheet.done).toBe(0.4)
  threads[0]?.says({ reading })
  expect(worksheet.done).toBeUndefined()
  expect(worksheet.undecided.map(({ cell }) => cell)).toEqual(['S!B1'])
})

test('what a person says is sent with all they said before; only the last reading counts', async () => {
  const worksheet = await opened()
  threads[0]?.says({ reading })
  worksheet.change('units', 'S!B1', 'percentNumber')
  worksheet.change('labels', 'S!B1', 'Yearly rate')
  expect(threads[0]?.asked.at(-1)).toEqual({
    title: 'My house boat',
    changes: { units: { 'S!B1': 'percentNumber' }, labels: { 'S!B1': 'Yearly rate' } },
  })
  threads[0]?.says({ reading: { ...reading, loans: 7 } })
  expect([worksheet.done, worksheet.reading?.loans]).toEqual([0, 0])
  threads[0]?.says({ reading: { ...reading, loans: 8 } })
  expect([worksheet.done, worksheet.reading?.loans]).toEqual([undefined, 8])
})

test('a reading that is stopped leaves what was read; the next one has the file again', async () => {
  const worksheet = await opened()
  threads[0]?.says({ reading })
  worksheet.change('labels', 'S!B1', 'x')
  worksheet.stop()
  expect([threads[0]?.isEnded, worksheet.done, worksheet.reading]).toEqual([true, undefined, reading])
  worksheet.change('labels', 'S!B1', 'y')
  expect(threads[1]?.asked[0]?.bytes).toEqual(bytes)
})

test('what cannot be read is said, and nothing of an earlier file stays', async () => {
  const worksheet = await opened()
  threads[0]?.says({ reading })
  await worksheet.open(file(), 'other.xlsx')
  expect(worksheet.reading).toBeUndefined()
  threads[1]?.says({ refused: 'This file is no worksheet (.xlsx).' })
  expect([worksheet.problem, worksheet.done]).toEqual(['This file is no worksheet (.xlsx).', undefined])
})

test('what was read stays while its author looks elsewhere, but not for another draft', async () => {
  const worksheet = await opened()
  threads[0]?.says({ reading })
  worksheet.lookAt('')
  expect(worksheet.reading).toEqual(reading)
  worksheet.lookAt('another-draft')
  expect([worksheet.name, worksheet.reading]).toEqual(['', undefined])
})

test('why a worksheet cannot be written is told to whoever waits for it', async () => {
  const written = saveWorksheet(reading.worksheet, {}, { today: '2026-11-25', sheets: [] } as never, 'x.xlsx')
  threads[0]?.says({ refused: 'It cannot be written.' })
  await expect(written).rejects.toThrow('It cannot be written.')
  expect(threads[0]?.isEnded).toBe(true)
})

test('a file that takes too long is ended', async () => {
  vi.useFakeTimers()
  try {
    const worksheet = await opened()
    vi.advanceTimersByTime(20_000)
    expect([worksheet.problem, threads[0]?.isEnded]).toEqual(['This worksheet takes too much to read.', true])
  } finally {
    vi.useRealTimers()
  }
})

describe('a typed value as visitors would read it', () => {
  test.each([
    ['0.05', 'percent', '5 %'],
    ['0.05', 'percentNumber', '0.05 %'],
    ['7.99%', 'percent', '7.99 %'],
    ['$214,000.00', 'money', '£214,000.00'],
    ['25', 'years', '25 years'],
    ['300', 'months', '300 months'],
    ['−12', 'number', '−12'],
  ] as const)('%s as %s is %s', (shown, unit, said) => expect(readAs({ shown }, unit, 'GBP')).toBe(said))
})
