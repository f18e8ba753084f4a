import { setTimeout } from 'node:timers/promises'
import { pathToFileURL } from 'node:url'
import { LRUCache } from 'lru-cache'
import type { DrawnPage, ServedCalculator } from '@vivid/contract'
import type { Elsewhere } from '../../platform/threads/task'
import type { Live } from '../../live/live'
import { etagOf, serve } from '../../live/serving'

export interface DrawInput {
  /** The built module that draws; `drawPage` of the visitor's page. */
  readonly drawer: string
  readonly served: ServedCalculator
  readonly language: string
  readonly isAlone: boolean
}

/** A live page as it begins, in a language of it; `isAlone`: not in a frame. */
export type Draw = (
  served: ServedCalculator,
  language: string,
  isAlone: boolean,
) => Promise<DrawnPage | undefined>

/** What somebody waits for a drawing at most: their browser draws the page too. */
const PATIENCE_MS = 600
const MOST_KEPT = 1_000

/** A page drawn by the page's own components, in a thread of the visitors' work. */
export async function drawn({ drawer, served, language, isAlone }: DrawInput): Promise<DrawnPage> {
  const { drawPage } = (await import(pathToFileURL(drawer).href)) as {
    drawPage: (served: ServedCalculator, language: string, isAlone: boolean) => Promise<DrawnPage>
  }
  return drawPage(served, language, isAlone)
}

/**
 * Draws live pages, each once for a day and its rates. Undefined where one cannot be drawn, or is not yet: the page is
 * sent without, and another visitor finds it drawn.
 */
export function createDrawing(drawElsewhere: Elsewhere<DrawInput, DrawnPage>, drawer: string): Draw {
  const kept = new LRUCache<string, Promise<DrawnPage | undefined>>({ max: MOST_KEPT })
  return (served, language, isAlone) => {
    const name = etagOf(served, `${served.slug}-${language}-${isAlone}`)
    const drawing =
      kept.get(name) ??
      drawElsewhere(
        { drawer, served, language, isAlone },
        { who: 'pages', what: `page ${served.slug}` },
      ).catch(() => void kept.delete(name))
    kept.set(name, drawing)
    return Promise.race([drawing, late()])
  }
}

/** Draws what is live before somebody asks for it, one page after the other: the first visitor waits like any other. */
export async function drawAll(live: Live, draw: Draw, minute: string, handsOver: boolean): Promise<void> {
  for (const calculator of live.all().slice(0, MOST_KEPT / 4))
    for (const language of calculator.content.program.languages)
      await draw(serve(live, calculator, minute, handsOver), language, true)
}

const late = () => setTimeout(PATIENCE_MS, undefined, { ref: false })
