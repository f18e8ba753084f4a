<script setup lang="ts">
import { Alert, Button, Skeleton } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { changesBetween, readMoment, textIn } from '@vivid/core'
import { CalculatorFile } from '@vivid/contract'
import { sentenceOf } from '../shared/api/api-error'
import { request } from '../shared/api/request'
import DeskHeader from '../shared/page/DeskHeader.vue'
import ApprovalWords from './publishing/ApprovalWords.vue'
import EditionRibbon from './publishing/EditionRibbon.vue'
import PublishingActions from './publishing/PublishingActions.vue'
import { useSession } from '../shared/session/session-store'
import { useDraft } from './draft/draft-store'
import QuickFinder from './finder/QuickFinder.vue'
import ShortcutSheet from './finder/ShortcutSheet.vue'
import MakeItYours from './MakeItYours.vue'
import ProblemList from './ProblemList.vue'
import ProofsBar from './proofs/ProofsBar.vue'
import { useProofs } from './proofs/proofs-store'
import SampleBar from './samples/SampleBar.vue'
import VisitorPreview from '../shared/preview/VisitorPreview.vue'
import SaveNote from './SaveNote.vue'
import SettleConflict from './SettleConflict.vue'
import StateTag from './StateTag.vue'
import CalculatorTape from './tape/CalculatorTape.vue'
import { useTape } from './draft/tape-store'
import { saveTextFile } from '../shared/files/text-files'
import { localNow } from '../shared/time/local-today'
import { saveWorksheet } from './worksheet/save-worksheet'
import { toMend } from './draft/to-mend'
import { useLackingLanguages } from './draft/use-lacking-languages'

const { id } = defineProps<{ id: string }>()
const draft = useDraft()
const session = useSession()
const problem = ref('')
const mending = ref(false)
const finding = ref(false)
const shortcuts = ref(false)
const tape = useTape()
// Runs them while this page is open.
const proofs = useProofs()
proofs.start()

async function open(): Promise<void> {
  problem.value = ''
  tape.closeAll()
  try {
    await draft.open(id)
  } catch (error) {
    problem.value = sentenceOf(error)
  }
}
watch(() => id, open, { immediate: true })

const published = computed(() => draft.opened?.lastPublished ?? undefined)
const changeCount = computed(() =>
  published.value && draft.document ? changesBetween(published.value, draft.document).length : 0,
)
const lacking = useLackingLanguages()
const problems = computed(() => {
  const { compiled, document, evaluation, sample } = draft
  return compiled && document ? [...lacking.value, ...toMend(document, compiled, evaluation, sample)] : []
})
const stops = computed(() => problems.value.filter((one) => one.stops))
const title = computed(() => {
  const {
    title: texts,
    languages: [main = ''],
  } = draft.document ?? { title: {}, languages: [] }
  return textIn(texts, main, main)
})

/** The calculator as a file, with the rate sheets it looks values up in. */
async function saveFile(): Promise<void> {
  try {
    await draft.save()
    const file = await request(CalculatorFile, 'GET', `/calculators/${id}/file`)
    saveTextFile(
      `${JSON.stringify(file, null, 2)}\n`,
      `${draft.opened?.slug ?? 'calculator'}.json`,
      'application/json',
    )
  } catch (error) {
    problem.value = sentenceOf(error)
  }
}

/** The sample visitor's figures as a worksheet, to be checked in another tool. */
async function saveAsWorksheet(): Promise<void> {
  const today = readMoment(localNow())
  if (!draft.document || !today) return
  const around = { today, sheets: draft.sheets }
  const name = `${draft.opened?.slug ?? 'calculator'}.xlsx`
  try {
    await saveWorksheet(draft.document, draft.sample?.answers ?? {}, around, name)
  } catch (error) {
    problem.value = sentenceOf(error)
  }
}

/** Made from a worksheet: its proofs have the values of the file. */
const fromWorksheet = computed(() => draft.document?.proofs.some(({ id: proof }) => /^file\d+$/.test(proof)))

/** Goes to the first thing to mend, or shows them all where there are several. */
function mend(): void {
  const [first, ...more] = stops.value.length > 0 ? stops.value : problems.value
  if (more.length === 0 && first?.step) void tape.goTo(first.step, first.field)
  else if (first) mending.value = true
}

const isTextField = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('input, textarea, [contenteditable="true"]')

/** Shortcuts that hold for the whole page. */
function onKey(event: KeyboardEvent): void {
  const key = event.key.toLowerCase()
  const act = (action: () => void) => {
    event.preventDefault()
    action()
  }
  if (event.altKey && key === 'j') act(() => (finding.value = true))
  else if (event.altKey && key === 'm') act(mend)
  else if (key === 'f1') act(() => (shortcuts.value = true))
  else if ((event.ctrlKey || event.metaKey) && key === 'z' && !isTextField(event.target))
    act(event.shiftKey ? draft.redo : draft.undo)
}
window.addEventListener('keydown', onKey)

function leaving(): void {
  if (draft.saveState.is !== 'saved') void draft.save()
}
window.addEventListener('pagehide', leaving)
onBeforeUnmount(() => {
  window.removeEventListener('pagehide', leaving)
  window.removeEventListener('keydown', onKey)
  proofs.stop()
  leaving()
  draft.close()
})
</script>

<template>
  <div class="desk-page">
    <DeskHeader />
    <Alert v-if="problem" type="error" :message="problem" class="alert">
      <template #action><button type="button" class="link" @click="open">Try again</button></template>
    </Alert>
    <Skeleton v-else-if="!draft.opened || !draft.document" active class="alert" />
    <template v-else>
      <div class="bar page-bar">
        <h1>{{ title }}</h1>
        <StateTag :state="draft.opened.state" :edition="draft.opened.liveEdition" />
        <div class="steps-back" role="group" aria-label="Undo and redo">
          <Button
            size="small"
            type="text"
            :disabled="!draft.canUndo"
            title="Undo (Ctrl Z)"
            @click="draft.undo"
            >Undo</Button
          >
          <Button
            size="small"
            type="text"
            :disabled="!draft.canRedo"
            title="Do it again (Ctrl Shift Z)"
            @click="draft.redo"
            >Redo</Button
          >
        </div>
        <SaveNote />
        <div class="page-bar-right">
          <Button
            size="small"
            type="text"
            title="Go to a step, calculator or sheet (Alt J)"
            @click="finding = true"
            >Go to</Button
          >
          <RouterLink v-if="published && changeCount > 0" :to="`/calculators/${id}/reading`"
            ><Button
              >Read {{ changeCount }} {{ changeCount === 1 ? 'change' : 'changes' }}</Button
            ></RouterLink
          >
          <PublishingActions />
        </div>
      </div>
      <main class="work" :class="{ 'read-only': !session.can('edit') }">
        <div class="tape-pane" :inert="!session.can('edit') || undefined">
          <ApprovalWords :calculator="draft.opened" />
          <MakeItYours v-if="draft.opened.editions.length === 0" :document="draft.document" />
          <SampleBar :document="draft.document" />
          <CalculatorTape
            v-if="draft.compiled"
            :document="draft.document"
            :compiled="draft.compiled"
            :evaluation="draft.evaluation"
          />
        </div>
        <VisitorPreview
          v-if="draft.compiled"
          :program="draft.compiled.program"
          :answers="draft.sample?.answers ?? {}"
          :sheets="draft.sheets"
          :house-style="draft.opened.style"
        />
      </main>
      <footer class="foot">
        <ProofsBar />
        <div class="problems" role="status">
          <template v-if="problems.length === 0"
            ><span class="sound" aria-hidden="true">✓</span> Nothing to mend</template
          >
          <button v-else type="button" class="link" @click="mend">
            <span :class="stops.length ? 'unsound' : 'asks'" aria-hidden="true">{{
              stops.length ? '▲' : '?'
            }}</span>
            {{
              stops.length
                ? `${stops.length} to mend`
                : `${problems.length} ${problems.length === 1 ? 'question' : 'questions'}`
            }}
          </button>
        </div>
        <span class="foot-right">
          <button type="button" class="link" @click="saveFile">Save to file</button>
          <button
            type="button"
            class="link"
            title="For the sample visitor, with live formulas (.xlsx)"
            @click="saveAsWorksheet"
          >
            Save as worksheet
          </button>
          <RouterLink v-if="fromWorksheet" class="link" :to="`/calculators/${id}/worksheet`"
            >Read its worksheet again</RouterLink
          >
          <button type="button" class="link" title="F1" @click="shortcuts = true">Keyboard</button>
          <EditionRibbon :calculator="draft.opened" />
        </span>
      </footer>
      <SettleConflict />
      <ProblemList v-model:open="mending" :problems="problems" />
      <QuickFinder v-model:open="finding" />
      <ShortcutSheet v-model:open="shortcuts" />
    </template>
  </div>
</template>

<style scoped>
.desk-page {
  display: grid;
  grid-template-rows: 52px auto minmax(0, 1fr) auto;
  grid-template-columns: minmax(0, 1fr);
  height: 100vh;
}
.alert {
  margin: 24px;
}
.work {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 454px);
  min-height: 0;
}
.tape-pane {
  min-height: 0;
  overflow-y: auto;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 4px 20px;
  min-height: 48px;
  padding: 8px 22px;
  background: var(--card);
  border-top: 1px solid var(--line);
}
.foot-right {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
  white-space: nowrap;
}
.foot-right .link {
  font-weight: 400;
}
.sound {
  color: var(--leaf);
  font-weight: 700;
}
.asks {
  color: var(--sun-text);
  font-weight: 700;
}
.steps-back {
  display: flex;
}
.unsound {
  color: var(--red-text);
}
@media (max-width: 960px) {
  .desk-page {
    height: auto;
  }
  .bar {
    flex-wrap: wrap;
  }
  .work {
    grid-template-columns: 1fr;
    grid-auto-rows: auto 720px;
  }
}
</style>
