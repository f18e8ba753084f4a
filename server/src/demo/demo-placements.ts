import type { PlainDate } from '@vivid/core'
import type { NewEntry } from '../team/record/record-store'
import { daysBefore } from './demo-days'
import type { Insert } from './demo-inserter'

interface DemoPlacement {
  readonly id: string
  readonly slug: string
  readonly page: string
  readonly site?: 'club'
  readonly language?: string
  readonly answers?: Readonly<Record<string, string>>
  readonly width?: number
  /** Days since it was seen; undefined: never. */
  readonly seen?: number
}

/** Which pages of the demo lender's sites show what. */
export const demoPlacements: readonly DemoPlacement[] = [
  { id: '5a1c0d2e9b7f4a10', slug: 'floating-home-mortgage', page: '/', seen: 0 },
  {
    id: '5a1c0d2e9b7f4a11',
    slug: 'floating-home-mortgage',
    page: '/both',
    answers: { homePrice: '500000.00', downPayment: '20%' },
    seen: 0,
  },
  { id: '5a1c0d2e9b7f4a12', slug: 'renew-your-mooring-mortgage', page: '/both', language: 'fr-CA', seen: 0 },
  { id: '5a1c0d2e9b7f4a13', slug: 'narrowboat-loan', page: '/borrow/narrowboat-loan', width: 760, seen: 1 },
  {
    id: '5a1c0d2e9b7f4a14',
    slug: 'backwater-houseboat-loan',
    page: '/borrow/backwater-houseboat-loan',
    seen: 3,
  },
  {
    id: '5a1c0d2e9b7f4a15',
    slug: 'what-floating-home-can-you-afford',
    page: '/borrow/what-floating-home-can-you-afford',
    seen: 0,
  },
  {
    id: '5a1c0d2e9b7f4a16',
    slug: 'skipper-training-loan',
    page: '/training/paying-for-it',
    site: 'club',
    seen: 2,
  },
  { id: '5a1c0d2e9b7f4a17', slug: 'marine-engine-loan', page: '/borrow/marine-engine-loan', seen: 6 },
  { id: '5a1c0d2e9b7f4a18', slug: 'harbour-home-loan', page: '/borrow/harbour-home-loan', seen: 4 },
  {
    id: '5a1c0d2e9b7f4a19',
    slug: 'which-offer-for-the-boat',
    page: '/borrow/which-offer-for-the-boat',
    seen: 1,
  },
  {
    id: '5a1c0d2e9b7f4a1a',
    slug: 'boathouse-rates-at-a-glance',
    page: '/borrow/boathouse-rates-at-a-glance',
  },
  { id: '5a1c0d2e9b7f4a1b', slug: 'replace-your-boat-loan', page: '/borrow/replace-your-boat-loan', seen: 8 },
  {
    id: '5a1c0d2e9b7f4a1c',
    slug: 'liveaboard-mortgage-insured',
    page: '/borrow/liveaboard-mortgage-insured',
    seen: 5,
  },
  { id: '5a1c0d2e9b7f4a1d', slug: 'winter-berth-purchase', page: '/borrow/winter-berth-purchase', seen: 11 },
]

/** Loads the sites, the placements and where they were seen; what of it stands on record. */
export async function loadPlacements(
  insert: Insert,
  calculators: ReadonlyMap<string, string>,
  today: PlainDate,
  keeper: NewEntry['person'],
): Promise<NewEntry[]> {
  const website = 'Larkmoor Mutual website'
  const club = 'Skippers’ club'
  const origins = { website: ['https://www.larkmoor.example'], club: ['https://skippers.larkmoor.example'] }
  const sites = {
    // The stand-in that ships with the demo moves here with each start.
    website: await insert('sites', {
      name: website,
      origins: JSON.stringify(origins.website),
      stand_in: true,
    }),
    club: await insert('sites', { name: club, origins: JSON.stringify(origins.club) }),
  }
  for (const placement of demoPlacements) {
    const { id, slug, page, site = 'website', language = '', answers = {}, width = null, seen } = placement
    await insert('placements', {
      id,
      site_id: sites[site],
      page,
      calculator_id: calculators.get(slug),
      language,
      answers: JSON.stringify(answers),
      width,
      made_at: daysBefore(today, 95),
    })
    if (seen === undefined) continue
    const verdict = slug === 'winter-berth-purchase' ? 'takenDown' : 'shown'
    await insert('sightings', {
      placement: id,
      slug,
      origin: origins[site][0],
      page,
      verdict,
      last_seen: daysBefore(today, seen + 1),
    })
  }
  await insert('sightings', {
    placement: '',
    slug: 'floating-home-mortgage',
    origin: 'https://cheap-boats.example',
    page: '/finance',
    verdict: 'unlisted',
    last_seen: daysBefore(today, 4),
  })
  const at = daysBefore(today, 96)
  const entry = (
    act: NewEntry['act'],
    of: NewEntry['of'],
    id: string,
    subject: string,
    details = {},
  ): NewEntry => ({
    act,
    of,
    id,
    subject,
    details,
    person: keeper,
    at,
  })
  return [
    entry('siteAdded', 'site', sites.website, website, { origins: origins.website.join(' ') }),
    entry('siteAdded', 'site', sites.club, club, { origins: origins.club.join(' ') }),
    ...demoPlacements.slice(0, 7).map(({ id, slug, page, site, language = '' }) =>
      entry('placed', 'placement', id, `${site === 'club' ? club : website} ${page}`, {
        calculator: slug,
        language,
      }),
    ),
  ]
}
