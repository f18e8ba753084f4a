<script setup lang="ts">
import { Alert, Skeleton } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, shallowRef, useTemplateRef, watch } from 'vue'
import {
  changesBetween,
  mainLanguage,
  mainTitle,
  readMoment,
  readoutsCompared,
  workingOut,
} from '@vivid/core'
import type { Answers } from '@vivid/core'
import { useAsking } from '../shared/api/use-asking'
import DeskHeader from '../shared/page/DeskHeader.vue'
import LanguageButtons from '../shared/preview/LanguageButtons.vue'
import { localNow } from '../shared/time/local-today'
import { useDraft } from './draft/draft-store'
import ApprovalWords from './publishing/ApprovalWords.vue'
import GoLive from './publishing/GoLive.vue'
import ChangesRead from './reading/ChangesRead.vue'
import FiguresCompared from './reading/FiguresCompared.vue'
import { marksOf } from './reading/marks'
import PagesCompared from './reading/PagesCompared.vue'
import { liveBefore, readingOf, type Reading } from './reading/reading'
import StateTag from './StateTag.vue'

/** What would go live beside what is live: both pages in one state of answers, what changed, and by how much. */
const { id } = defineProps<{ id: string }>()
const draft = useDraft()
const { problem, asking } = useAsking()
const reading = shallowRef<Reading>()

const load = () =>
  asking(async () => {
    reading.value = undefined
    await draft.open(id)
    language.value = draft.document ? mainLanguage(draft.document) : ''
    // A page that stands alone has room.
    if (draft.opened && liveBefore(draft.opened) === null) width.value = WIDTHS[1].px
    await read()
  })
async function read(): Promise<void> {
  if (draft.opened && draft.compiled)
    reading.value = await readingOf(draft.opened, { compiled: draft.compiled, sheets: draft.sheets })
}
watch(() => id, load, { immediate: true })
/** Somebody changed it while it was read: it is read anew. */
watch(
  () => draft.opened?.revision,
  (_, before) => before !== undefined && reading.value && void asking(read),
)
onBeforeUnmount(draft.close)

const WIDTHS = [
  { px: 390, name: 'Phone' },
  { px: 1280, name: 'Wide' },
] as const
const width = ref<number>(WIDTHS[0].px)
const language = ref('')
/** What was looked at: in which language, at which width. */
const seen = ref(new Set<string>())
watch(
  () => [language.value, width.value],
  () => language.value && (seen.value = new Set(seen.value).add(`${language.value} ${width.value}`)),
  { immediate: true },
)
const unseen = computed(() =>
  WIDTHS.flatMap(({ px, name }) =>
    (reading.value?.after.program.languages ?? [])
      .filter((one) => !seen.value.has(`${one} ${px}`))
      .map((one) => `${one.slice(0, 2).toUpperCase()} ${name.toLowerCase()}`),
  ),
)

const begin = computed<Answers>(() => draft.sample?.answers ?? {})
const answers = shallowRef<Answers>({})
watch(begin, (now) => (answers.value = now), { immediate: true })

const title = computed(() => (draft.document ? mainTitle(draft.document) : ''))
/** What is compared is what is shown: an approved edition may wait while visitors have an older one. */
const documents = computed(() =>
  reading.value?.before && draft.document
    ? ([reading.value.before.document, draft.document] as const)
    : undefined,
)
const changes = computed(() => (documents.value ? changesBetween(...documents.value) : []))
const marks = computed(() => {
  const { before, after } = reading.value ?? {}
  const today = readMoment(localNow())
  if (!before || !after || !documents.value || !today) return { before: [], after: [] }
  const [was, is] = [before, after].map((page) => workingOut(page, today)(answers.value))
  return marksOf(changes.value, documents.value, was && is ? readoutsCompared(was, is) : [])
})

const pages = useTemplateRef<InstanceType<typeof PagesCompared>>('pages')
const go = (of: string) => pages.value?.bringIntoSight(of)
const beforeTitle = computed(() => {
  const { before } = reading.value ?? {}
  if (!before) return ''
  return draft.opened?.liveEdition === null
    ? `Edition ${before.edition}, until it was taken down`
    : `Live now: edition ${before.edition}`
})
const afterTitle = computed(() =>
  draft.opened?.state === 'sent'
    ? `As ${draft.opened.sentBy ?? 'its author'} sent it`
    : 'As the draft stands',
)
</script>

<template>
  <DeskHeader />
  <main class="reading">
    <Alert v-if="problem" type="error" role="alert" :message="problem">
      <template #action><button type="button" class="link" @click="load">Try again</button></template>
    </Alert>
    <Skeleton v-else-if="!reading || !draft.opened || !draft.document" active />
    <template v-else>
      <div class="head">
        <h1>{{ title }}</h1>
        <StateTag :state="draft.opened.state" :edition="draft.opened.liveEdition" />
        <RouterLink :to="`/calculators/${id}`" class="link">Back to its tape</RouterLink>
      </div>
      <div class="columns">
        <div class="left">
          <div class="tools">
            <label v-if="draft.document.samples.length" for="reading-sample" class="soft">Answers of</label>
            <select
              v-if="draft.document.samples.length"
              id="reading-sample"
              v-model="draft.sampleId"
              class="pick"
            >
              <option v-for="sample in draft.document.samples" :key="sample.id" :value="sample.id">
                {{ sample.name }}
              </option>
            </select>
            <div class="pressed widths" role="group" aria-label="Width of both pages">
              <button
                v-for="{ px, name } in WIDTHS"
                :key="px"
                type="button"
                :aria-pressed="width === px"
                @click="width = px"
              >
                {{ name }} <span>{{ px }}</span>
              </button>
            </div>
            <LanguageButtons v-model="language" :languages="reading.after.program.languages" />
            <span v-if="unseen.length" class="soft">not looked at yet: {{ unseen.join(', ') }}</span>
          </div>
          <PagesCompared
            ref="pages"
            :begin="begin"
            :before="reading.before && { page: reading.before, title: beforeTitle }"
            :after="{ page: reading.after, title: afterTitle }"
            :language="language"
            :width="width"
            :marks="marks"
            @answers="answers = $event"
          />
          <FiguresCompared
            v-if="reading.before"
            :before="reading.before"
            :after="reading.after"
            :samples="draft.document.samples"
            @go="go"
          />
        </div>
        <aside>
          <ApprovalWords :calculator="draft.opened" class="said" />
          <ChangesRead
            v-if="reading.before && documents"
            :changes="changes"
            :documents="documents"
            :reading="{ ...reading, before: reading.before }"
            @go="go"
          />
          <p v-else class="soft">Visitors never had this calculator: all of it is new.</p>
          <GoLive
            :calculator="draft.opened"
            :document="draft.document"
            @done="$router.push(`/calculators/${id}`)"
          />
        </aside>
      </div>
    </template>
  </main>
</template>

<style scoped>
.reading {
  padding: 14px 22px 30px;
}
.head,
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}
.head .link {
  margin-left: auto;
}
.tools {
  margin: 10px 0 12px;
}
.tools .pick {
  width: auto;
  max-width: 260px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 26px;
}
aside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-self: start;
  gap: 22px;
  padding: 14px 16px;
  border: 1px solid var(--line);
  border-radius: 9px;
  background: var(--card);
}
.said {
  margin: 0;
}
.widths span {
  font-weight: 400;
}
@media (max-width: 1080px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
