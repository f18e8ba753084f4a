import { describe, expect, test } from 'vitest'
import { placementsOf, type Placed } from '../../live/live-placements'
import { placingOf, type Asked } from './placing'

const SITE = 'https://www.larkmoor.example'
const placement = (fields: Partial<Placed>): Placed => ({
  id: 'a1',
  site: 's',
  page: '/borrow',
  calculator: 'c',
  language: '',
  answers: {},
  width: null,
  siteName: 'Website',
  origins: [SITE],
  slug: 'raft',
  isLive: true,
  isTakenDown: false,
  ...fields,
})
const states: Readonly<Record<string, 'live' | 'takenDown' | 'notLive'>> = {
  raft: 'live',
  punt: 'takenDown',
  skiff: 'notLive',
}
const NOW = new Date(2026, 10, 25)
const ask = (asked: Partial<Asked>, all: readonly Placed[] = [placement({})]) =>
  placingOf(
    { placement: undefined, calculator: undefined, page: '/borrow', origin: SITE, ...asked },
    placementsOf(all),
    (slug) => states[slug] ?? 'unknown',
    NOW,
  )

describe('what a page may show for its snippet', () => {
  test.each<[string, Partial<Asked>, string | null, string | null]>([
    ['a placement on its own site', { placement: 'a1' }, '/c/raft?placement=a1', null],
    ['a calculator on a site it is placed on', { calculator: 'raft' }, '/c/raft', null],
    ['a page of our own', { calculator: 'raft', origin: undefined }, '/c/raft', null],
    ['another site', { placement: 'a1', origin: 'https://else.example' }, null, 'unlisted'],
    [
      'a site whose name only begins the same',
      { placement: 'a1', origin: `${SITE}.evil.example` },
      null,
      'unlisted',
    ],
    ['the same host on another port', { calculator: 'raft', origin: `${SITE}:8443` }, null, 'unlisted'],
    ['a page that hides where it is', { calculator: 'raft', origin: 'null' }, null, 'unlisted'],
    ['a placement that is gone', { placement: 'zz' }, null, 'unknown'],
    ['a calculator that never was', { calculator: 'ark', origin: undefined }, null, 'unknown'],
  ])('%s', (_, asked, frame, why) => {
    expect(ask(asked).placing).toMatchObject({ frame, why })
  })

  test('what was taken down shows its notice, what is not live shows nothing', () => {
    const all = [placement({ id: 'b1', slug: 'punt' }), placement({ id: 'b2', slug: 'skiff' })]
    expect(ask({ placement: 'b1' }, all).placing).toMatchObject({
      frame: '/c/punt?placement=b1',
      why: 'takenDown',
    })
    expect(ask({ placement: 'b2' }, all).placing).toMatchObject({ frame: null, why: 'notLive' })
  })

  test('answers and language stand in the frame’s address, whatever characters they have', () => {
    const odd = placement({
      language: 'fr-CA',
      answers: { price: '500 000 $ & plus', rate: '4,64%' },
      width: 640,
    })
    const { placing } = ask({ placement: 'a1' }, [odd])
    const query = new URL(`http://x${placing.frame}`).searchParams
    expect(Object.fromEntries(query)).toEqual({
      price: '500 000 $ & plus',
      rate: '4,64%',
      lang: 'fr-CA',
      placement: 'a1',
    })
    expect(placing.width).toBe(640)
  })
})

describe('what is remembered of it', () => {
  test('is where the snippet stands and what came of it; of our own pages nothing', () => {
    expect(ask({ placement: 'a1', page: '/old' }).sighting).toEqual({
      placement: 'a1',
      slug: 'raft',
      origin: SITE,
      page: '/old',
      verdict: 'shown',
      lastSeen: NOW,
    })
    expect(ask({ calculator: 'raft', origin: undefined }).sighting).toBeUndefined()
  })
})

test('a calculator on two sites may be framed by both, and by no site of another calculator', () => {
  const memory = placementsOf([
    placement({}),
    placement({ id: 'a2', origins: ['https://club.example', SITE] }),
    placement({ id: 'b1', slug: 'punt', origins: ['https://punts.example'] }),
  ])
  expect([...memory.originsOf('raft')].sort()).toEqual(['https://club.example', SITE])
  expect(memory.originsOf('punt')).toEqual(['https://punts.example'])
  expect(memory.originsOf('skiff')).toEqual([])
})
