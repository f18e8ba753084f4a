<script setup lang="ts">
import { Button, message, Modal } from 'ant-design-vue'
import { dequal as equal } from 'dequal/lite'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { z } from 'zod'
import { compile, type CalculatorDocument, type RateSheet } from '@vivid/core'
import {
  CalculatorCard,
  CalculatorOpened,
  contrastFaults,
  darkSide,
  resolveStyle,
  SheetListed,
  StyleListed,
  type StyleChoices,
} from '@vivid/contract'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import DeskArea from '../shared/page/DeskArea.vue'
import { createHistory } from '../shared/undo/history'
import { useAsking } from '../shared/api/use-asking'
import PickField from '../shared/fields/PickField.vue'
import VisitorPreview from '../shared/preview/VisitorPreview.vue'
import { useSession } from '../shared/session/session-store'
import StyleEditor from './StyleEditor.vue'

/** The lender's looks: several, each shown on a real calculator while it is changed. */
const session = useSession()
const { busy, problem, asking } = useAsking()
const styles = shallowRef<readonly StyleListed[]>()
const draft = shallowRef<Pick<StyleListed, 'id' | 'name' | 'choices' | 'revision'>>()
const history = createHistory<StyleChoices>()
const saved = computed(() => styles.value?.find(({ id }) => id === draft.value?.id))
const isChanged = computed(
  () => saved.value?.name !== draft.value?.name || !equal(saved.value?.choices, draft.value?.choices),
)
const isReadable = computed(
  () => draft.value !== undefined && contrastFaults(draft.value.choices).length === 0,
)

const cards = shallowRef<readonly CalculatorCard[]>([])
const sheets = shallowRef<readonly RateSheet[]>([])
const shownOn = ref('')
const document = shallowRef<CalculatorDocument>()
const program = computed(() => document.value && compile(document.value, sheets.value).program)
watch(shownOn, (id) =>
  asking(async () => {
    document.value = (await request(CalculatorOpened, 'GET', `/calculators/${id}`)).document
  }),
)

function choose(style: StyleListed | undefined): void {
  if (!style) return
  history.clear()
  draft.value = style
  shownOn.value = style.wornBy[0]?.id ?? shownOn.value ?? ''
}
onMounted(() =>
  asking(async () => {
    const [all, calculators, listed] = await Promise.all([
      request(z.array(StyleListed), 'GET', '/house-styles'),
      request(z.array(CalculatorCard), 'GET', '/calculators'),
      request(z.array(SheetListed), 'GET', '/rate-sheets'),
    ])
    styles.value = all
    cards.value = calculators
    sheets.value = listed.map(({ live, sheet }) => live ?? sheet)
    shownOn.value = calculators.find(({ state }) => state === 'live')?.id ?? calculators[0]?.id ?? ''
    choose(all.find(({ wornBy }) => wornBy.length > 0) ?? all[0])
  }),
)

function change(choices: StyleChoices, key?: string): void {
  if (!draft.value) return
  history.add(draft.value.choices, choices, key)
  draft.value = { ...draft.value, choices }
}
const undo = () =>
  draft.value && (draft.value = { ...draft.value, choices: history.undo(draft.value.choices) })
const redo = () =>
  draft.value && (draft.value = { ...draft.value, choices: history.redo(draft.value.choices) })

/** A copy to start from, under an address no other has. */
function another(): void {
  if (!draft.value) return
  const taken = new Set(styles.value?.map(({ id }) => id))
  let n = 2
  while (taken.has(`style-${n}`)) n++
  history.clear()
  draft.value = { ...draft.value, id: `style-${n}`, name: `${draft.value.name}, copy`, revision: 0 }
}
async function save(): Promise<void> {
  const { id, name, choices, revision } = draft.value ?? {}
  const kept = await asking(async () => {
    const now = await request(StyleListed, 'PUT', '/house-styles', { id, name, choices, revision })
    styles.value = [...(styles.value ?? []).filter((one) => one.id !== now.id), now].sort((a, b) =>
      a.name.localeCompare(b.name),
    )
    draft.value = now
  })
  if (kept) void message.success('Saved: each calculator that wears it shows it with its next edition.')
}
function remove(): void {
  const style = saved.value
  if (!style) return
  Modal.confirm({
    title: `Remove “${style.name}”?`,
    content: 'No calculator wears it. Editions that were made with it keep their looks.',
    okText: 'Remove it',
    okButtonProps: { danger: true },
    cancelText: 'Keep it',
    onOk: () =>
      asking(async () => {
        styles.value = await request(z.array(StyleListed), 'DELETE', `/house-styles/${style.id}`)
        choose(styles.value[0])
      }).then(() => undefined),
  })
}
/** The dark side follows from the light one, but for colours that were chosen for it. */
const isDarkSide = ref(false)
const shownStyle = (choices: StyleListed['choices']) => {
  const style = resolveStyle(choices)
  return isDarkSide.value ? darkSide(style) : style
}
</script>

<template>
  <DeskArea
    title="House styles"
    about="the lender’s looks, frozen into each edition"
    :problem="problem"
    :loading="!styles"
  >
    <template #actions>
      <Button v-if="session.can('style')" @click="another">Copy this one</Button>
    </template>
    <div class="three">
      <ul class="choose-list" aria-label="All house styles">
        <li v-for="style in styles" :key="style.id">
          <button type="button" :aria-pressed="style.id === draft?.id" @click="choose(style)">
            <span class="swatch" aria-hidden="true">
              <i
                v-for="(colour, name) in {
                  accent: style.choices.colours.accent,
                  interest: style.choices.colours.interest,
                  paper: style.choices.colours.paper,
                  ink: style.choices.colours.ink,
                }"
                :key="name"
                :style="{ background: colour }"
              ></i>
            </span>
            <strong>{{ style.name }}</strong>
            <span class="soft">{{
              style.wornBy.length === 0
                ? 'worn by none yet'
                : `worn by ${style.wornBy.length} ${style.wornBy.length === 1 ? 'calculator' : 'calculators'}`
            }}</span>
          </button>
        </li>
      </ul>
      <div v-if="draft" class="edit">
        <div :inert="!session.can('style') || undefined">
          <StyleEditor
            :name="draft.name"
            :choices="draft.choices"
            :side="isDarkSide && draft.choices.scheme === 'light' ? 'dark' : 'light'"
            @rename="draft = { ...draft, name: $event }"
            @change="change"
          />
        </div>
        <div class="foot">
          <template v-if="session.can('style')">
            <Button type="text" :disabled="!history.canUndo.value" @click="undo">Undo</Button>
            <Button type="text" :disabled="!history.canRedo.value" @click="redo">Redo</Button>
            <Button v-if="saved && saved.wornBy.length === 0" @click="remove">Remove</Button>
            <CallToAction
              :disabled="!isChanged || !isReadable || !draft.name.trim()"
              :loading="busy"
              @click="save"
              >Save</CallToAction
            >
          </template>
          <span v-else class="soft">Authors and keepers change house styles.</span>
        </div>
      </div>
      <div v-if="draft && program" class="shown">
        <PickField
          id="style-shown-on"
          label="Shown on"
          :value="shownOn"
          :options="cards.map(({ id, title }) => ({ value: id, label: title }))"
          @change="shownOn = $event"
        />
        <label v-if="draft.choices.scheme === 'light'" class="dark-too">
          <input v-model="isDarkSide" type="checkbox" />
          the dark side, as somebody sees it who prefers dark pages
        </label>
        <VisitorPreview
          class="preview"
          title="As the visitor would see it"
          :program="program"
          :answers="document?.samples[0]?.answers ?? {}"
          :sheets="sheets"
          :house-style="shownStyle(draft.choices)"
        />
      </div>
    </div>
  </DeskArea>
</template>

<style scoped>
.dark-too {
  display: block;
  margin-bottom: 8px;
}
.three {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr) minmax(0, 1fr);
  gap: 22px;
  align-items: start;
}
.swatch {
  display: flex;
  height: 10px;
  margin-bottom: 3px;
  border: 1px solid var(--line);
  border-radius: 3px;
  overflow: hidden;
}
.swatch i {
  flex: 1;
}
.edit {
  display: grid;
  gap: 14px;
}
.foot {
  display: flex;
  justify-content: flex-end;
  align-items: center;
  gap: 8px;
}
.shown {
  position: sticky;
  top: 12px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
.preview {
  height: 640px;
  border: 1px solid var(--line);
  border-radius: 9px;
}
@media (max-width: 1000px) {
  .three {
    grid-template-columns: minmax(0, 1fr);
  }
  .shown {
    position: static;
  }
}
</style>
