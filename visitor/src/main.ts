import { createApp, defineComponent, h, shallowRef } from 'vue'
import type { HouseStyle, ServedCalculator } from '@vivid/contract/visitor'
import CalculatorPage from './CalculatorPage.vue'
import { followPreview } from './frame/follow-preview'
import { reportHeight } from './frame/report-height'
import { presetAnswers } from './model/preset-answers'
import type { CalculatorSource } from './model/use-calculator'
import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/figtree'
import './page.css'
import './questions/questions.css'
import './results/schedule.css'
import './results/tables.css'

const source = shallowRef<CalculatorSource>()
const Page = defineComponent(() => () => source.value && h(CalculatorPage, { source: source.value }))

const served = document.getElementById('calculator')?.textContent
if (served) {
  const { content, today, sheets } = JSON.parse(served) as ServedCalculator
  const language = document.documentElement.lang
  const answers = presetAnswers(content.program, new URLSearchParams(location.search), language)
  applyStyle(content.style)
  source.value = { program: content.program, answers, today, sheets, language }
} else if (location.pathname === '/preview') {
  followPreview(({ content, answers, today, sheets, language }) => {
    const same = JSON.stringify(source.value?.answers) === JSON.stringify(answers)
    applyStyle(content.style)
    document.documentElement.lang = language
    source.value = {
      program: content.program,
      today,
      sheets,
      language,
      answers: same && source.value ? source.value.answers : answers,
    }
  })
}

createApp(Page).mount('#app')
reportHeight(document.body)

function applyStyle(style: HouseStyle): void {
  for (const [name, value] of Object.entries(style)) document.documentElement.style.setProperty(name, value)
}
