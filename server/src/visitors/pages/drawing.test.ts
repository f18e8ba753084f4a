import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import type { DrawnPage, HouseStyle, ServedCalculator } from '@vivid/contract'
import { createDrawing, drawn } from './drawing'
import { looksOf } from './looks'

const page: DrawnPage = { html: '<p>drawn</p>', rules: '' }
const served = {
  slug: 'raft',
  sha256: 'a'.repeat(64),
  edition: 1,
  today: '2026-11-27',
  sheets: [],
  handsOver: true,
}
const raft = served as unknown as ServedCalculator

/** Work that does what is said, and counts how often it was asked. */
function workThat(draw: () => Promise<DrawnPage>) {
  let asked = 0
  return { work: () => (asked++, draw()), asked: () => asked }
}

describe('pages drawn by the server', () => {
  test('each is drawn once for its edition, day, rates, language and place', async () => {
    const { work, asked } = workThat(async () => page)
    const draw = createDrawing(work, 'nowhere')
    expect(await draw(raft, 'en-CA', true)).toBe(page)
    expect(await draw({ ...raft }, 'en-CA', true)).toBe(page)
    expect(asked()).toBe(1)
    await draw(raft, 'fr-CA', true)
    await draw(raft, 'en-CA', false)
    await draw({ ...raft, today: '2026-11-28' }, 'en-CA', true)
    await draw({ ...raft, edition: 2 }, 'en-CA', true)
    await draw({ ...raft, slug: 'punt' }, 'en-CA', true)
    expect(asked()).toBe(6)
  })

  test('one that cannot be drawn is sent without, and tried again', async () => {
    let broken = true
    const { work } = workThat(async () => {
      if (broken) throw new Error('no thread is free')
      return page
    })
    const draw = createDrawing(work, 'nowhere')
    expect(await draw(raft, 'en-CA', true)).toBeUndefined()
    broken = false
    expect(await draw(raft, 'en-CA', true)).toBe(page)
  })

  test('nobody waits long for a drawing; whoever comes later finds it', async () => {
    let finish = (_: DrawnPage) => undefined as void
    const { work, asked } = workThat(() => new Promise((done) => (finish = done)))
    const draw = createDrawing(work, 'nowhere')
    expect(await draw(raft, 'en-CA', true)).toBeUndefined()
    finish(page)
    expect(await draw(raft, 'en-CA', true)).toBe(page)
    expect(asked()).toBe(1)
  })

  test('what draws is the module it is given', async () => {
    const drawer = join(mkdtempSync(join(tmpdir(), 'vivid-drawer-')), 'drawer.mjs')
    writeFileSync(
      drawer,
      'export const drawPage = async ({ slug }, language, isAlone) => ({ html: [slug, language, isAlone].join(), rules: "" })',
    )
    expect(await drawn({ drawer, served: raft, language: 'fr-CA', isAlone: false })).toEqual({
      html: 'raft,fr-CA,false',
      rules: '',
    })
  })
})

describe('looks as a style sheet', () => {
  const style: HouseStyle = {
    '--ink': '#201433',
    '--card': '#ffffff',
    '--accent': '#5b2a86',
    '--text': "'Figtree Variable', 'Rubik Variable', system-ui, sans-serif",
  }
  test('the light side, the dark side, and the letters a browser draws with at first', () => {
    const looks = looksOf(style)
    expect(looks).toMatch(/^html:root\{--ink:#201433;/)
    expect(looks).toMatch(/@media \(prefers-color-scheme:dark\)\{html:root\{.*--scheme:dark/)
    expect(looks).toContain(
      "--text:'Figtree Variable','Figtree Variable as Arial','Figtree Variable as Roboto','Figtree Variable as DejaVu Sans', 'Rubik Variable'",
    )
  })
  test.each([
    ['red}</style><script>alert(1)</script>'],
    ['red;background:url(//x.example)'],
    ['url(//x.example)'],
    ['red/*'],
    ['\\3c'],
  ])('a value that is none is left out: %s', (value) => {
    expect(looksOf({ ...style, '--error': value })).not.toMatch(/x\.example|<|--error:red|\*|\\/)
  })
})
