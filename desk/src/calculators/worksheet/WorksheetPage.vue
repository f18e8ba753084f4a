<script setup lang="ts">
import { Alert, Button, message, Progress } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { CalculatorOpened, SheetListed } from '@vivid/contract'
import { createFigures, textOfAnswer } from '@vivid/contract/wording'
import { mainLanguage, type CalculatorDocument } from '@vivid/core'
import { changesAgain, takenOverAgain } from '@vivid/worksheet/again'
import { request } from '../../shared/api/request'
import { useAsking } from '../../shared/api/use-asking'
import CallToAction from '../../shared/page/CallToAction.vue'
import DeskHeader from '../../shared/page/DeskHeader.vue'
import { useDraft } from '../draft/draft-store'
import { partWords } from './cell-words'
import CellCard from './CellCard.vue'
import NotTakenOver from './NotTakenOver.vue'
import SheetTable from './SheetTable.vue'
import UndecidedUnits from './UndecidedUnits.vue'
import WhatChanged from './WhatChanged.vue'
import WhatDiffers from './WhatDiffers.vue'
import WorksheetChooser from './WorksheetChooser.vue'
import { useWorksheet } from './worksheet-store'

/** A worksheet, looked at and changed before a draft is made of it; with `id`, read again for the draft that was made of it. */
const { id = undefined } = defineProps<{ id?: string }>()
const router = useRouter()
const worksheet = useWorksheet()
const draft = useDraft()
const { busy, problem, asking } = useAsking()

const way = ref<'worksheet' | 'ledger'>('worksheet')
const sheetAt = ref(0)
const sheet = computed(() => worksheet.reading?.sheets[sheetAt.value])
const read = computed(() => worksheet.reading?.[way.value])
const legend = (['asked', 'working', 'result', 'row', 'leftOut'] as const).map((part) => partWords[part])

worksheet.lookAt(id ?? '')
if (id !== undefined) void asking(() => draft.open(id))
const changes = computed(() => {
  if (id === undefined || !draft.document || !read.value) return []
  const figures = createFigures(mainLanguage(draft.document), draft.document.currency)
  return changesAgain(draft.document, read.value, (question, answer) =>
    textOfAnswer(question, answer, figures),
  )
})
const accepted = ref<ReadonlySet<string>>(new Set())
// A draft to the cent says so in its notes: what is read again is compared as it was made.
watch(
  () => draft.document,
  (document) => {
    const isToTheCent = document?.steps.some(
      (step) => step.kind === 'working' && step.note.includes(', as a ledger does, it is '),
    )
    if (id !== undefined && isToTheCent) way.value = 'ledger'
  },
)
watch(changes, (all) => (accepted.value = new Set(all.map((change) => change.id))))
watch(
  () => worksheet.name,
  () => (sheetAt.value = 0),
)
// Where a cell on another sheet is chosen, that sheet is shown.
watch(
  () => worksheet.chosen,
  (cell) => {
    const at =
      worksheet.reading?.sheets.findIndex((one) => one.cells.some((other) => other.cell === cell)) ?? -1
    if (at >= 0) sheetAt.value = at
  },
)

const agreeing = computed(() => {
  const { figures, leftOut } = worksheet.reading ?? {}
  if (!figures || !leftOut) return ''
  return `${figures.agreeing} of ${figures.all + leftOut.length} cells agree`
})

function make(): Promise<boolean> {
  return asking(async () => {
    const file = {
      format: 'vivid-meter/calculator',
      document: read.value,
      sheets: worksheet.reading?.rateSheets ?? [],
    }
    const made = await request(CalculatorOpened, 'POST', '/calculators', {
      from: 'file',
      file,
      title: worksheet.title,
    })
    void message.success(`${agreeing.value}. The draft is made.`, 6)
    worksheet.close()
    await router.push(`/calculators/${made.id}`)
  })
}

/** The rate sheets that a document looks up in and that are not here yet: drafts, to be approved like any. */
async function bringSheets({ steps }: CalculatorDocument): Promise<void> {
  const isHere = new Set(draft.sheetsListed.map(({ sheet: { id: known } }) => known))
  const isUsed = new Set(steps.flatMap((step) => (step.kind === 'lookUp' ? [step.sheet] : [])))
  for (const one of worksheet.reading?.rateSheets ?? [])
    if (isUsed.has(one.id) && !isHere.has(one.id))
      await request(SheetListed, 'PUT', '/rate-sheets', { sheet: one, revision: 0 })
}

function takeOver(): Promise<boolean> {
  return asking(async () => {
    if (!draft.document || !read.value || id === undefined) return
    const next = takenOverAgain(draft.document, read.value, accepted.value)
    await bringSheets(next)
    draft.change(next)
    await draft.save()
    worksheet.close()
    await router.push(`/calculators/${id}`)
  })
}
</script>

<template>
  <div class="worksheet-page">
    <DeskHeader />
    <div class="bar page-bar">
      <h1>{{ worksheet.name || 'From a worksheet' }}</h1>
      <span v-if="worksheet.reading" class="agree" role="status">
        <span :class="worksheet.reading.differing.length ? 'bad' : 'good'" aria-hidden="true">{{
          worksheet.reading.differing.length ? '▲' : '✓'
        }}</span>
        {{ agreeing }}
      </span>
      <div class="page-bar-right">
        <Button v-if="worksheet.reading" @click="worksheet.close">Another worksheet</Button>
        <RouterLink :to="id === undefined ? '/' : `/calculators/${id}`"><Button>Cancel</Button></RouterLink>
        <CallToAction
          v-if="worksheet.reading"
          :loading="busy"
          :disabled="worksheet.done !== undefined || (id !== undefined && accepted.size === 0)"
          @click="id === undefined ? make() : takeOver()"
          >{{ id === undefined ? 'Make the draft' : 'Take it over' }}</CallToAction
        >
      </div>
    </div>
    <Alert
      v-if="problem || worksheet.problem"
      type="error"
      role="alert"
      :message="problem || worksheet.problem"
    />
    <div v-if="worksheet.done !== undefined" class="progress" role="status">
      <Progress :percent="Math.round(worksheet.done * 100)" :show-info="false" />
      <span>Reading {{ worksheet.name }} …</span>
      <Button size="small" @click="worksheet.stop">Stop</Button>
    </div>
    <main v-if="worksheet.reading && sheet" class="work">
      <div class="sheets">
        <div class="above">
          <div v-if="worksheet.reading.sheets.length > 1" class="pressed" role="group" aria-label="Sheets">
            <button
              v-for="(one, i) in worksheet.reading.sheets"
              :key="one.name"
              type="button"
              :aria-pressed="i === sheetAt"
              @click="sheetAt = i"
            >
              {{ one.name }}
            </button>
          </div>
          <ul class="legend">
            <li v-for="part in legend" :key="part.words">
              <b aria-hidden="true">{{ part.mark }}</b> {{ part.words }}
            </li>
          </ul>
        </div>
        <SheetTable v-model:chosen="worksheet.chosen" :cells="sheet.cells" />
      </div>
      <aside aria-label="What was understood">
        <WhatChanged v-if="id !== undefined" v-model:accepted="accepted" :changes="changes" />
        <CellCard v-if="worksheet.chosenCell" :key="worksheet.chosen" :cell="worksheet.chosenCell" />
        <p v-else class="soft">Choose a cell to see what it was taken for, and to say otherwise.</p>
        <UndecidedUnits :cells="worksheet.undecided" />
        <WhatDiffers v-model:way="way" :reading="worksheet.reading" />
        <section v-if="worksheet.reading.rateSheets.length > 0" class="tables">
          <h2>Tables</h2>
          <p>
            {{ worksheet.reading.rateSheets.map(({ name }) => name.replace(/^.*: /, '')).join(', ') }}: looked
            up in, so each becomes a rate sheet, a draft to be approved.
          </p>
        </section>
        <NotTakenOver :reading="worksheet.reading" />
      </aside>
    </main>
    <main v-else-if="worksheet.done === undefined" class="choose">
      <p>
        {{
          id === undefined
            ? 'A worksheet your team trusts becomes a calculator that gives the same figures, cell by cell.'
            : 'Choose the worksheet as it is now: what changed in it is shown, and taken over or not.'
        }}
      </p>
      <WorksheetChooser @choose="(file, name) => worksheet.open(file, name, id)" />
    </main>
  </div>
</template>

<style scoped>
.worksheet-page {
  display: grid;
  grid-template-rows: 52px auto;
  grid-template-columns: minmax(0, 1fr);
  grid-auto-rows: auto;
}
.good {
  color: var(--leaf);
  font-weight: 700;
}
.progress {
  display: grid;
  grid-template-columns: minmax(120px, 420px) auto auto;
  justify-content: start;
  align-items: center;
  gap: 14px;
  padding: 10px 22px;
}
.work {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 20px;
  padding: 16px 22px;
}
.sheets {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  gap: 8px;
  height: calc(100vh - 148px);
}
.above {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
  padding: 0;
  list-style: none;
  color: var(--ink-soft);
}
aside {
  display: grid;
  align-content: start;
  gap: 22px;
  height: calc(100vh - 148px);
  overflow-y: auto;
  padding-right: 4px;
}
h2 {
  font-size: 17px;
}
.choose {
  display: grid;
  gap: 14px;
  max-width: 720px;
  padding: 28px 22px;
}
@media (max-width: 960px) {
  .work {
    grid-template-columns: minmax(0, 1fr);
  }
  .sheets,
  aside {
    height: auto;
    max-height: none;
  }
}
</style>
