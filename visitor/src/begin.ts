import { createApp, createSSRApp, defineComponent, h, shallowRef } from 'vue'
import { wordedProgram, type ServedCalculator } from '@vivid/contract/visitor'
import { createEvaluatorWith, type Further } from '@vivid/core/evaluate'
import CalculatorPage from './CalculatorPage.vue'
import { turnsTaken } from './taking-over/in-turn'
import { keepTyped } from './taking-over/keep-typed'
import { reportHeight } from './frame/report-height'
import { carries } from './model/carried'
import { momentOf } from './model/moment-of'
import { fetchAgain } from './model/fetch-again'
import { fetchFor, liveSourceOf } from './model/source-of'
import { onOtherAddress } from './model/use-address'
import type { CalculatorSource } from './model/calculator-source'
import { fetchParts } from './results/parts'
import { warmUp } from './model/warm-up'
import './letters.css'
import './letters-at-first.css'
import './page.css'
import './results/results.css'
import './words.css'
import './questions/questions.css'
import './questions/loans.css'
import './results/tables.css'
import './results/schedule.css'
import './results/keeping.css'
import './on-paper.css'

const source = shallowRef<CalculatorSource>()
const Page = defineComponent(() => () => source.value && h(CalculatorPage, { source: source.value }))
const root = document.documentElement

/** Draws the page that stands here: a calculator that was served, or the desk's preview. */
export function begin(): void {
  document.getElementById('not-started')?.remove()
  reportHeight(document.body)
  const served = document.getElementById('calculator')?.textContent
  if (served) void beginLive(JSON.parse(served) as ServedCalculator)
  else if (location.pathname === '/preview') void beginPreview()
}

async function beginLive(calculator: ServedCalculator): Promise<void> {
  const isAlone = window.parent === window
  const isDrawn = document.getElementById('app')?.dataset.drawn === String(isAlone)
  const steps = calculator.content.program.steps.map(({ step }) => step)
  const parts = fetchParts(steps)
  const began = await begun(calculator, isAlone)
  const evaluate = await warmUp(began.source)
  // With its parts there, whatever is drawn stands in its place from the first.
  await parts
  source.value = { ...began.source, evaluate }
  await takeOver(isDrawn && began.isAsDrawn)
  onOtherAddress(async () => (source.value = (await begun(calculator, isAlone)).source))
}

async function beginPreview(): Promise<void> {
  const { previewIn } = await import('./frame/preview')
  previewIn(source)
  await takeOver(false)
}

/** Goes on with what the server drew where the page begins like that; else draws it anew in its place. */
async function takeOver(isAsDrawn: boolean): Promise<void> {
  const place = document.getElementById('app')
  if (!place) return
  const questions = keepTyped(place.querySelector('.questions') ?? place)
  document.dispatchEvent(new Event('vivid-meter:taking-over'))
  ;(isAsDrawn ? createSSRApp : createApp)(Page).mount(place)
  questions.restore()
  delete root.dataset.waits
  await turnsTaken()
  questions.tell()
  delete place.dataset.drawn
  root.dataset.ready = 'true'
  document.dispatchEvent(new Event('vivid-meter:taken-over'))
}

/** What the page begins with: what its address brings back, else what it was placed with, else as it is. */
async function begun(served: ServedCalculator, isAlone: boolean) {
  const fetched = await fetchFor(served.content, root.lang)
  const { further } = fetched
  const start = (await linkedStart(served, further)) ?? (await presetsOf(served, further))
  return {
    source: { ...liveSourceOf(served, root.lang, fetched, isAlone), ...start },
    isAsDrawn: start === undefined && fetched.isWhole,
  }
}

type Start = Pick<CalculatorSource, 'answers' | 'refused' | 'carried' | 'thenSaid' | 'linkNote'>

/** What stands behind the # of the address; most pages are opened without. */
async function linkedStart(
  { content: { program }, today, sheets }: ServedCalculator,
  further: Further | undefined,
): Promise<Start | undefined> {
  if (!carries(location.hash)) return undefined
  const { carriedIn, fitting, thenSaid } = await fetchAgain(() => import('./model/carried-in'))
  const carried = carriedIn(location.hash)
  if (!carried) return { answers: {}, linkNote: 'unreadable' }
  const evaluate = createEvaluatorWith(program, further)
  const around = { today: momentOf(today), sheets }
  const { hasMore, ...fits } = fitting(carried.answers, program, (answers) => evaluate(answers, around))
  return { ...fits, carried, thenSaid, linkNote: hasMore ? 'hasMore' : undefined }
}

/** What the page's address says it begins with; most pages are opened without. */
async function presetsOf({ content, today, sheets }: ServedCalculator, further: Further | undefined) {
  const asked = new URLSearchParams(location.search)
  if ([...asked.keys()].every((name) => name === 'lang' || name === 'placement')) return undefined
  const { presetAnswers } = await fetchAgain(() => import('./model/preset-answers'))
  const around = { today: momentOf(today), sheets }
  return presetAnswers(wordedProgram(content), asked, root.lang, around, further)
}
