<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { fileKinds, keptLoan, type FileKind } from '@vivid/contract/visitor'
import { type ActionName, type RateSheet, type Readout, type ReadoutOf, startOf } from '@vivid/core/evaluate'
import type { TellHost } from '../frame/tell-host'
import type { Calculator } from '../model/use-calculator'
import { decimalMarkOf } from '@vivid/contract/wording'
import { fetchFile, type AsShown } from './ask-server'
import HandOverForm from './HandOverForm.vue'
import { linkedNow, linkTo } from './link-of'
import { saveFile } from './save-file'
import { scheduleCsv } from './schedule-csv'

const { step, readout, calculator, tellHost } = defineProps<{
  step: ReadoutOf<'actions'>
  readout: Extract<Readout, { shows: 'actions' }>
  calculator: Calculator
  tellHost: TellHost
}>()
const { words, say, results, program, live } = calculator

const kept = computed(() => results.value && keptLoan(results.value, program.value))
const ledger = computed(() => kept.value?.ledger)
/** What is saved is named by the calculator, and by the loan where several stand side by side. */
const fileName = computed(() => {
  const label = kept.value?.label ? say(kept.value.label) : ''
  return [live.value?.slug ?? 'schedule', label].filter(Boolean).join(' ')
})
/** What can be pressed: what the author offers, and other ways to have the same. */
type Offer = ActionName | 'csvComma' | 'fewDates'
const needsLedger: readonly Offer[] = ['csv', 'csvComma', 'xlsx', 'calendar', 'fewDates']
const hasDecimalComma = computed(() => decimalMarkOf(calculator.language.value) === ',')
const offers = computed(() =>
  readout.actions.flatMap((action): Offer[] => {
    if (action === 'calendar') return ['calendar', 'fewDates']
    return action === 'csv' && hasDecimalComma.value ? ['csv', 'csvComma'] : [action]
  }),
)
const actions = computed(() =>
  offers.value.filter(
    (action) =>
      (!needsLedger.includes(action) || ledger.value !== undefined) &&
      (action !== 'handOver' || live.value?.handsOver !== false),
  ),
)
/** A phone has a sheet of its own to share with. */
const sharesByItself = ref(false)
onMounted(() => {
  sharesByItself.value = typeof navigator.share === 'function' && matchMedia('(pointer: coarse)').matches
})
const labels = computed((): Record<Offer, string> => ({
  startAgain: words.value.startAgain,
  print: words.value.print,
  csv: words.value.csv,
  xlsx: words.value.xlsx,
  pdf: words.value.pdf,
  csvComma: words.value.csvComma,
  calendar: words.value.calendar,
  fewDates: words.value.fewDates,
  link: sharesByItself.value ? words.value.share : words.value.link,
  handOver: words.value.handOver.open,
}))
/** A draft has no address yet: what needs one waits until it is live. */
const waitsForLive = (action: Offer) =>
  live.value === undefined && (isFile(action) || action === 'link' || action === 'handOver')
const isFile = (action: Offer): action is FileKind => (fileKinds as readonly string[]).includes(action)

const said = ref('')
const linkShown = ref('')
const making = ref<Offer>()
const isHandingOver = ref(false)
const form = useTemplateRef<HTMLElement>('form')

/** When the newest rate on this page took effect: a file says what the page says, whatever began meanwhile. */
function ratesFrom(sheets: readonly RateSheet[]): Pick<AsShown, 'ratesFrom'> {
  const newest = sheets
    .flatMap(({ versions }) => versions.map(startOf))
    .sort()
    .at(-1)
  return newest === undefined ? {} : { ratesFrom: newest }
}
const shown = (): AsShown => ({
  answers: calculator.shownAnswers.value,
  beside: calculator.beside,
  language: calculator.language.value,
  edition: live.value?.edition ?? 0,
  on: calculator.today.value,
  ...ratesFrom(calculator.sheets.value),
})

async function act(action: Offer): Promise<void> {
  said.value = ''
  linkShown.value = ''
  if (isFile(action)) return makeFile(action)
  switch (action) {
    case 'startAgain':
      return calculator.startAgain()
    case 'print':
      return window.print()
    case 'link':
      return copyLink()
    case 'handOver':
      isHandingOver.value = true
      await nextTick()
      return form.value?.querySelector('input')?.focus()
    case 'csv':
    case 'csvComma':
      if (!ledger.value) return
      saveFile(
        new Blob(
          [scheduleCsv(ledger.value, program.value, words.value, action === 'csv' ? 'point' : 'comma')],
          {
            type: 'text/csv;charset=utf-8',
          },
        ),
        `${fileName.value}.csv`,
      )
      tellHost('kept')
  }
}

const endings: Record<FileKind, string> = { pdf: 'pdf', xlsx: 'xlsx', calendar: 'ics', fewDates: 'ics' }
async function makeFile(kind: FileKind): Promise<void> {
  if (!live.value || making.value) return
  making.value = kind
  said.value = words.value.making
  try {
    saveFile(await fetchFile(live.value, kind, shown()), `${fileName.value}.${endings[kind]}`)
    said.value = ''
    tellHost('kept')
  } catch {
    said.value = words.value.fileFailed
  } finally {
    making.value = undefined
  }
}

async function copyLink(): Promise<void> {
  const page = `${location.origin}/c/${live.value?.slug ?? ''}`
  const link = linkTo(page, calculator.language.value, linkedNow(calculator))
  if (sharesByItself.value) return shareLink(link)
  try {
    await navigator.clipboard.writeText(link)
    said.value = words.value.linkCopied
  } catch {
    said.value = words.value.linkHere
    linkShown.value = link
  }
  tellHost('kept')
}

/** Whoever closes the phone's own sheet has changed their mind, which needs no word. */
async function shareLink(url: string): Promise<void> {
  try {
    await navigator.share({ title: say(program.value.title), url })
    tellHost('kept')
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return
    said.value = words.value.linkHere
    linkShown.value = url
  }
}

/** What had the focus is gone: it goes back to where the form was opened. */
async function closeForm(): Promise<void> {
  isHandingOver.value = false
  await nextTick()
  section.value?.querySelector<HTMLElement>('[data-action=handOver]')?.focus()
}
const section = useTemplateRef<HTMLElement>('section')
function sent(): void {
  void closeForm()
  said.value = words.value.handOver.sent(program.value.lender)
  tellHost('handedOver')
}
</script>

<template>
  <section v-if="actions.length > 0" ref="section" class="result wide keeping" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <div class="actions">
      <button
        v-for="action in actions"
        :key="action"
        type="button"
        class="action"
        :data-action="action"
        :disabled="waitsForLive(action) || making === action"
        @click="act(action)"
      >
        {{ labels[action] }}
      </button>
    </div>
    <p class="said-of" role="status">{{ said }}</p>
    <input
      v-if="linkShown"
      class="typed"
      readonly
      :value="linkShown"
      :aria-label="words.link"
      @focus="($event.target as HTMLInputElement).select()"
    />
    <div v-if="isHandingOver && live" ref="form">
      <HandOverForm
        :live="live"
        :shown="shown"
        :lender="program.lender"
        :words="words.handOver"
        :optional="words.optional"
        @sent="sent"
        @cancel="closeForm"
      />
    </div>
  </section>
</template>
