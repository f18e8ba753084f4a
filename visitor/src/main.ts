import { createApp, defineComponent, h, shallowRef } from 'vue'
import type { HouseStyle, ServedCalculator } from '@vivid/contract/visitor'
import { fetchLanguage, isRightToLeft } from '@vivid/contract/wording'
import { createEvaluatorWith, needsFurther, type Further, type Program } from '@vivid/core/evaluate'
import CalculatorPage from './CalculatorPage.vue'
import { followPreview } from './frame/follow-preview'
import { reportHeight } from './frame/report-height'
import { carries } from './model/carried'
import { momentOf } from './model/moment-of'
import { onOtherAddress } from './model/use-address'
import type { CalculatorSource } from './model/use-calculator'
import './letters.css'
import './page.css'
import './questions/questions.css'
import './on-paper.css'

const source = shallowRef<CalculatorSource>()
const Page = defineComponent(() => () => source.value && h(CalculatorPage, { source: source.value }))
const root = document.documentElement

// Two of this script may arrive where the first was late; one begins.
const isFirst = root.dataset.begun !== 'true'
root.dataset.begun = 'true'
document.getElementById('not-started')?.remove()

const served = document.getElementById('calculator')?.textContent
if (!isFirst) {
  // The other one draws the page.
} else if (served) {
  const calculator = JSON.parse(served) as ServedCalculator
  void begin(calculator)
  onOtherAddress(() => void begin(calculator))
} else if (location.pathname === '/preview') {
  followPreview(async ({ content, answers, today, sheets, language }) => {
    const [further] = await Promise.all([furtherFor(content.program), fetchLanguage(language)])
    const same = JSON.stringify(source.value?.answers) === JSON.stringify(answers)
    applyStyle(content.style)
    speak(language)
    source.value = {
      program: content.program,
      today,
      sheets,
      language,
      further,
      answers: same && source.value ? source.value.answers : answers,
    }
  })
}

if (isFirst) {
  createApp(Page).mount('#app')
  reportHeight(document.body)
}

async function begin(served: ServedCalculator): Promise<void> {
  const { content, today, sheets, slug, edition, handsOver } = served
  const { program, style } = content
  const [further] = await Promise.all([furtherFor(program), fetchLanguage(root.lang)])
  const start = (await linkedStart(served, further)) ?? (await presetsOf(served, further))
  applyStyle(style)
  source.value = {
    program,
    answers: {},
    ...start,
    today,
    sheets,
    language: root.lang,
    further,
    live: { slug, edition, handsOver },
  }
}

type Start = Pick<CalculatorSource, 'answers' | 'refused' | 'carried' | 'linkNote'>

/** What stands behind the # of the address; most pages are opened without. */
async function linkedStart(
  { content: { program }, today, sheets }: ServedCalculator,
  further: Further | undefined,
): Promise<Start | undefined> {
  if (!carries(location.hash)) return undefined
  const { carriedIn, fitting } = await import('./model/carried-in')
  const carried = carriedIn(location.hash)
  if (!carried) return { answers: {}, linkNote: 'unreadable' }
  const evaluate = createEvaluatorWith(program, further)
  const around = { today: momentOf(today), sheets }
  const { hasMore, ...fits } = fitting(carried.answers, program, (answers) => evaluate(answers, around))
  return { ...fits, carried, linkNote: hasMore ? 'hasMore' : undefined }
}

/** What the page's address says it begins with; most pages are opened without. */
async function presetsOf({ content, today, sheets }: ServedCalculator, further: Further | undefined) {
  if (location.search.length <= 1) return undefined
  const { presetAnswers } = await import('./model/preset-answers')
  const around = { today: momentOf(today), sheets }
  return presetAnswers(content.program, new URLSearchParams(location.search), root.lang, around, further)
}

/** What only some programs need is fetched for those. */
async function furtherFor(program: Program): Promise<Further | undefined> {
  return needsFurther(program) ? (await import('@vivid/core/further')).further : undefined
}

function speak(language: string): void {
  root.lang = language
  root.dir = isRightToLeft(language) ? 'rtl' : 'ltr'
}

const prefersDark = matchMedia('(prefers-color-scheme: dark)')
let ownStyle: HouseStyle = {}
/** The lender's looks; their dark side where the browser's owner prefers that. */
function applyStyle(style: HouseStyle): void {
  ownStyle = style
  put(style)
  if (prefersDark.matches)
    void import('@vivid/contract/dark-side').then(({ darkSide }) => put(darkSide(ownStyle)))
}
prefersDark.addEventListener('change', () => applyStyle(ownStyle))

function put(style: HouseStyle): void {
  root.style.removeProperty('--scheme')
  for (const [name, value] of Object.entries(style)) root.style.setProperty(name, value)
}
