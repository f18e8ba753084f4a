import { createApp, defineComponent, h, shallowRef } from 'vue'
import type { HouseStyle, ServedCalculator } from '@vivid/contract/visitor'
import { fetchLanguage, isRightToLeft } from '@vivid/contract/wording'
import { needsFurther, type Further, type Program } from '@vivid/core/evaluate'
import CalculatorPage from './CalculatorPage.vue'
import { followPreview } from './frame/follow-preview'
import { reportHeight } from './frame/report-height'
import { momentOf } from './model/moment-of'
import type { CalculatorSource } from './model/use-calculator'
import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/figtree'
import '@fontsource-variable/rubik'
import '@fontsource-variable/source-serif-4'
import './page.css'
import './questions/questions.css'
import './on-paper.css'

const source = shallowRef<CalculatorSource>()
const Page = defineComponent(() => () => source.value && h(CalculatorPage, { source: source.value }))
const root = document.documentElement

const served = document.getElementById('calculator')?.textContent
if (served) void begin(JSON.parse(served) as ServedCalculator)
else if (location.pathname === '/preview') {
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

createApp(Page).mount('#app')
reportHeight(document.body)

async function begin(served: ServedCalculator): Promise<void> {
  const { content, today, sheets, slug, edition, handsOver } = served
  const language = root.lang
  const [further, kept] = await Promise.all([
    furtherFor(content.program),
    keptInLink(),
    fetchLanguage(language),
  ])
  const preset = kept ? undefined : await presetsOf(served, further)
  applyStyle(content.style)
  source.value = {
    program: content.program,
    answers: kept?.answers ?? preset?.answers ?? {},
    refused: preset?.refused ?? [],
    today,
    sheets,
    language,
    further,
    kept,
    live: { slug, edition, handsOver },
  }
}

/** What a link brought back; most pages are opened without. */
async function keptInLink() {
  return location.hash.length > 1 ? (await import('./model/share-link')).keptIn(location.hash) : undefined
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

function applyStyle(style: HouseStyle): void {
  for (const [name, value] of Object.entries(style)) root.style.setProperty(name, value)
}
