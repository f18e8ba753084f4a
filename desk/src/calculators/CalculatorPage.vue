<script setup lang="ts">
import { Alert, Button, Skeleton } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue'
import { changesBetween } from '@vivid/core'
import { compileSentenceWithPlace } from '@vivid/contract'
import { sentenceOf } from '../api/api-error'
import DeskHeader from '../app/DeskHeader.vue'
import EditionRibbon from '../editions/EditionRibbon.vue'
import PublishingActions from '../editions/PublishingActions.vue'
import { useSession } from '../people/session-store'
import { useDraft } from './draft-store'
import VisitorPreview from './preview/VisitorPreview.vue'
import ReadChanges from './ReadChanges.vue'
import SaveNote from './SaveNote.vue'
import SettleConflict from './SettleConflict.vue'
import StateTag from './StateTag.vue'
import CalculatorTape from './tape/CalculatorTape.vue'

const { id } = defineProps<{ id: string }>()
const draft = useDraft()
const session = useSession()
const problem = ref('')
const reading = ref(false)
const tape = useTemplateRef('tape')

async function open(): Promise<void> {
  problem.value = ''
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
const problems = computed(() => {
  const { compiled, document, evaluation } = draft
  if (!compiled || !document) return []
  if (compiled.problems.length > 0) {
    return compiled.problems.map((found) => ({
      step: found.step,
      sentence: compileSentenceWithPlace(found, document),
    }))
  }
  return (evaluation?.problems ?? []).map(({ field }) => ({
    step: field,
    sentence: `${document.sample.name} does not fit at ${document.steps.find((step) => step.id === field)?.name ?? field}.`,
  }))
})

function leaving(): void {
  if (draft.saveState.is !== 'saved') void draft.save()
}
window.addEventListener('pagehide', leaving)
onBeforeUnmount(() => {
  window.removeEventListener('pagehide', leaving)
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
      <div class="bar">
        <h1>{{ draft.document.title }}</h1>
        <StateTag :state="draft.opened.state" :edition="draft.opened.liveEdition" />
        <SaveNote />
        <div class="right">
          <Button v-if="published && changeCount > 0" @click="reading = true">
            Read {{ changeCount }} {{ changeCount === 1 ? 'change' : 'changes' }}
          </Button>
          <PublishingActions />
        </div>
      </div>
      <main class="work" :class="{ 'read-only': !session.can('edit') }">
        <div class="tape-pane" :inert="!session.can('edit') || undefined">
          <CalculatorTape
            v-if="draft.compiled"
            ref="tape"
            :document="draft.document"
            :compiled="draft.compiled"
            :evaluation="draft.evaluation"
          />
        </div>
        <VisitorPreview
          v-if="draft.compiled"
          :program="draft.compiled.program"
          :answers="draft.document.sample.answers"
          :house-style="draft.opened.style"
        />
      </main>
      <footer class="foot">
        <div class="problems" role="status">
          <template v-if="problems.length === 0"
            ><span class="sound" aria-hidden="true">✓</span> Nothing to mend</template
          >
          <template v-else>
            <span class="unsound" aria-hidden="true">▲</span> {{ problems.length }} to mend:
            {{ problems[0]?.sentence }}
            <button v-if="problems[0]?.step" type="button" class="link" @click="tape?.goTo(problems[0].step)">
              Go there
            </button>
          </template>
        </div>
        <EditionRibbon :calculator="draft.opened" />
      </footer>
      <ReadChanges
        v-if="published"
        v-model:open="reading"
        :before="published"
        :after="draft.document"
        :edition="draft.opened.editions[0]?.number ?? 0"
      />
      <SettleConflict />
    </template>
  </div>
</template>

<style scoped>
.desk-page {
  display: grid;
  grid-template-rows: 52px auto minmax(0, 1fr) auto;
  height: 100vh;
}
.alert {
  margin: 24px;
}
.bar {
  display: flex;
  align-items: center;
  gap: 14px;
  min-height: 62px;
  padding: 10px 22px;
  background: var(--card);
  border-bottom: 1px solid var(--line);
}
.bar h1 {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.right {
  display: flex;
  gap: 10px;
  margin-left: auto;
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
  justify-content: space-between;
  align-items: center;
  gap: 20px;
  min-height: 48px;
  padding: 8px 22px;
  background: var(--card);
  border-top: 1px solid var(--line);
}
.sound {
  color: var(--leaf);
  font-weight: 700;
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
