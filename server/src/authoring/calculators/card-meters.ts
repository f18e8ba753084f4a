import { z } from 'zod'
import type { Sequelize } from 'sequelize'
import { CalculatorCard } from '@vivid/contract'
import { momentOf, minuteOf } from '../../platform/clock'
import { asking } from '../../platform/database/asking'
import { AppError } from '../../platform/http/app-error'
import type { RateSheetsStore } from '../rate-sheets/rate-sheets-store'
import type { Elsewhere } from '../../platform/threads/task'
import type { CardMeter } from './card-meter'
import type { DraftAsked } from './draft-asked'
import type { CalculatorsStore, CardData } from './calculators-store'

export interface KnownMeter {
  readonly meter: CardMeter | null
  /** Whether it is how it was before: the present one is being worked out. */
  readonly waits: boolean
}

export interface CardMeters {
  /** The meter of each card, by its id: as it stands now where that is known soon, else the last that was known. */
  of(cards: readonly CardData[]): Promise<ReadonlyMap<string, KnownMeter>>
  /** Works out all that are not known as they stand now. */
  warm(): Promise<void>
}

/** So long a list waits for figures that are being worked out; those that take longer are there the next time. */
const PATIENCE_MS = 150

const Known = z.object({ id: z.string(), mark: z.string(), meter: CalculatorCard.shape.meter })

export function createCardMeters({
  database,
  calculators,
  sheets,
  workOutCard,
  now,
}: {
  readonly database: Sequelize
  readonly calculators: CalculatorsStore
  readonly sheets: RateSheetsStore
  readonly workOutCard: Elsewhere<DraftAsked, CardMeter | null>
  readonly now: () => Date
}): CardMeters {
  const ask = asking(database)
  /** What is being worked out at the moment, by calculator and what it rests on. */
  const running = new Map<string, Promise<void>>()

  async function workOut(card: CardData, mark: string): Promise<void> {
    const [calculator, tried] = await Promise.all([calculators.byId(card.id), sheets.tried()])
    if (!calculator || calculator.revision !== card.revision) return
    const { draft, slug, id } = calculator
    const meter = await workOutCard(
      { draft, today: momentOf(now()), sheets: tried },
      { who: id, what: `draft ${slug}` },
    ).catch((error: unknown) => {
      // One that takes too long has none; one that only waits too long is tried again.
      if (error instanceof AppError && error.code === 'WORK_STOPPED') return null
      throw error
    })
    await ask.run(
      `INSERT INTO calculator_meters (calculator_id, mark, meter) VALUES (:id, :mark, CAST(:meter AS jsonb))
         ON CONFLICT (calculator_id) DO UPDATE SET mark = :mark, meter = CAST(:meter AS jsonb)`,
      { id, mark, meter: JSON.stringify(meter) },
    )
  }

  function workOutOnce(card: CardData, mark: string): Promise<void> {
    const key = `${card.id} ${mark}`
    const known =
      running.get(key) ??
      workOut(card, mark)
        .catch(() => undefined)
        .finally(() => running.delete(key))
    running.set(key, known)
    return known
  }

  const aroundNow = async () => `${await sheets.mark()} ${minuteOf(now()).slice(0, 10)}`
  function begin(cards: readonly CardData[], around: string): Promise<unknown> | undefined {
    const stale = cards.filter(({ revision, meterMark }) => meterMark !== `${revision} ${around}`)
    if (stale.length === 0) return undefined
    return Promise.all(stale.map((card) => workOutOnce(card, `${card.revision} ${around}`)))
  }

  return {
    warm: async () => void (await begin(await calculators.cards(), await aroundNow())),
    async of(cards) {
      const around = await aroundNow()
      const all = begin(cards, around)
      if (all) await Promise.race([all, new Promise((resolve) => setTimeout(resolve, PATIENCE_MS).unref())])
      const rows = await ask.rows(Known, 'SELECT calculator_id AS id, mark, meter FROM calculator_meters')
      const known = new Map(rows.map((row) => [row.id, row]))
      return new Map(
        cards.map(({ id, revision }): [string, KnownMeter] => {
          const row = known.get(id)
          const waits = row?.mark !== `${revision} ${around}`
          return [id, { meter: row?.meter ?? null, waits }]
        }),
      )
    },
  }
}
