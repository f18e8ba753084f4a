import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { z } from 'zod'
import {
  CalculatorDocument,
  changesBetween,
  createCompiler,
  createEvaluator,
  mergeDocuments,
  readMoment,
  type CalculatorStep,
  type Conflict,
} from '@vivid/core'
import { CalculatorOpened, SheetListed, type Remark } from '@vivid/contract'
import { ApiError, isApiError, sentenceOf } from '../../shared/api/api-error'
import { request } from '../../shared/api/request'
import { keptDrafts } from './kept-draft'
import { createHistory } from '../../shared/undo/history'
import { localNow } from '../../shared/time/local-today'

/** How the draft stands with the server. */
export type SaveState =
  | { readonly is: 'saved'; readonly at: Date }
  | { readonly is: 'waiting' | 'saving' }
  | { readonly is: 'failed'; readonly sentence: string }
  | { readonly is: 'conflict' }

const PAUSE_MS = 600
const RETRY_MS = 4_000

/**
 * The calculator that is open at this desk. Changes are saved by themselves, shortly after the last one; when
 * someone else saved first, both people's changes are joined, and where they contradict each other a person decides.
 */
export const useDraft = defineStore('draft', () => {
  const opened = shallowRef<CalculatorOpened>()
  const document = shallowRef<CalculatorDocument>()
  const saveState = ref<SaveState>({ is: 'saved', at: new Date() })
  const conflicts = shallowRef<readonly Conflict[]>([])
  const joinedFrom = ref('')
  /** Who changed the same fields, while a conflict waits. */
  const conflictWith = ref('')
  /** The document as the server has it: what our own changes are counted from. */
  let base: CalculatorDocument | undefined
  let theirs: CalculatorOpened | undefined
  let timer: number | undefined
  let wanted: string | undefined
  let running: Promise<void> | undefined

  /** The lender's rate sheets, which look-ups are checked against and worked out with. */
  const sheetsListed = shallowRef<readonly SheetListed[]>([])
  const sheets = computed(() => sheetsListed.value.map(({ sheet, live }) => live ?? sheet))
  const history = createHistory<CalculatorDocument>(
    (from, to, current) => mergeDocuments(from, to, current).document,
  )
  const sampleId = ref('')

  const sample = computed(() => {
    const all = document.value?.samples ?? []
    return all.find((one) => one.id === sampleId.value) ?? all[0]
  })
  const compile = createCompiler()
  const compiled = computed(() => document.value && compile(document.value, sheets.value))
  const evaluator = computed(() => compiled.value && createEvaluator(compiled.value.program))
  const evaluation = computed(() => {
    const today = readMoment(localNow())
    return today && sample.value && evaluator.value?.(sample.value.answers, { today, sheets: sheets.value })
  })

  async function open(id: string): Promise<void> {
    close()
    wanted = id
    const [found, listed] = await Promise.all([
      request(CalculatorOpened, 'GET', `/calculators/${id}`),
      request(z.array(SheetListed), 'GET', '/rate-sheets'),
    ])
    // Another calculator was asked for meanwhile.
    if (wanted !== id) return
    sheetsListed.value = listed
    history.clear()
    sampleId.value = found.document.samples[0]?.id ?? ''
    adopt(found)
    document.value = found.document
    saveState.value = { is: 'saved', at: new Date(found.lastEditedAt) }
    const kept = keptDrafts.find(id)
    if (!kept || changesBetween(kept.base, kept.document).length === 0) return keptDrafts.drop(id)
    base = kept.base
    document.value = kept.document
    if (kept.revision === found.revision) saveSoon()
    else await join(found)
  }

  /** Puts the calculator away; a save that is under way goes on to its end. */
  function close(): void {
    window.clearTimeout(timer)
    opened.value = undefined
    document.value = undefined
    conflicts.value = []
    joinedFrom.value = ''
    theirs = undefined
    history.clear()
  }

  /** Takes what the server has as the ground our own changes stand on. */
  function adopt(found: CalculatorOpened): void {
    opened.value = found
    base = found.document
  }

  /**
   * Changes the document. Refused, with nothing lost, while it would not be a document at all. Changes under one
   * `key` that follow each other closely, as when a word is typed, are undone as one.
   */
  function change(next: CalculatorDocument, key?: string): boolean {
    const before = document.value
    if (!before || !put(next)) return false
    if (changesBetween(before, next).length === 0) return true
    history.add(before, document.value ?? next, key)
    return true
  }

  function undo(): void {
    if (document.value) put(history.undo(document.value))
  }
  function redo(): void {
    if (document.value) put(history.redo(document.value))
  }

  function put(next: CalculatorDocument): boolean {
    const parsed = CalculatorDocument.safeParse(next)
    if (!parsed.success || !opened.value || !base) return false
    document.value = parsed.data
    keptDrafts.keep(opened.value.id, { revision: opened.value.revision, base, document: parsed.data })
    if (saveState.value.is !== 'conflict') saveSoon()
    return true
  }

  function changeStep(id: string, fields: Partial<CalculatorStep> | Record<string, unknown>): boolean {
    if (!document.value) return false
    const steps = document.value.steps.map((step) =>
      step.id === id ? ({ ...step, ...fields } as CalculatorStep) : step,
    )
    return change({ ...document.value, steps }, `${id}.${Object.keys(fields).join()}`)
  }

  function saveSoon(pause = PAUSE_MS): void {
    window.clearTimeout(timer)
    if (saveState.value.is !== 'failed') saveState.value = { is: 'waiting' }
    timer = window.setTimeout(() => void save(), pause)
  }

  /** Saves what is not saved yet; one save at a time. */
  async function save(): Promise<void> {
    window.clearTimeout(timer)
    while (running) await running
    running = saveOnce().finally(() => (running = undefined))
    await running
  }

  async function saveOnce(): Promise<void> {
    const [calculator, draft] = [opened.value, document.value]
    if (!calculator || !draft || saveState.value.is === 'conflict') return
    if (base && changesBetween(base, draft).length === 0) return settle(calculator.id)
    if (saveState.value.is !== 'failed') saveState.value = { is: 'saving' }
    const isStillOpen = () => opened.value?.id === calculator.id
    try {
      const body = { revision: calculator.revision, document: draft }
      const saved = await request(CalculatorOpened, 'PUT', `/calculators/${calculator.id}/draft`, body)
      if (!isStillOpen()) return keptDrafts.drop(calculator.id)
      adopt(saved)
      if (document.value === draft) settle(calculator.id)
      else saveSoon()
    } catch (error) {
      // Put away meanwhile: the changes are kept in this browser, and joined when it is opened again.
      if (!isStillOpen()) return
      const current = staleDraft(error)
      if (current) return join(current)
      saveState.value = { is: 'failed', sentence: sentenceOf(error) }
      saveSoon(RETRY_MS)
    }
  }

  function settle(id: string): void {
    keptDrafts.drop(id)
    // When the server last took something: a change that changes nothing saves nothing.
    if (opened.value) saveState.value = { is: 'saved', at: new Date(opened.value.lastEditedAt) }
  }

  /** Someone else saved first: joins both people's changes, or asks where they contradict each other. */
  async function join(found: CalculatorOpened): Promise<void> {
    if (!base || !document.value) return
    const merged = mergeDocuments(base, document.value, found.document)
    if (merged.conflicts.length > 0) {
      theirs = found
      conflictWith.value = found.lastEditedBy
      conflicts.value = merged.conflicts
      saveState.value = { is: 'conflict' }
      return
    }
    takeJoined(found, merged.document)
  }

  /** Settles a conflict: for each field, whose value is kept. */
  function resolve(choices: Readonly<Record<string, 'mine' | 'theirs'>>): void {
    if (!theirs || !base || !document.value) return
    const merged = mergeDocuments(base, document.value, theirs.document, ({ key }) => choices[key] ?? 'mine')
    const found = theirs
    theirs = undefined
    conflicts.value = []
    saveState.value = { is: 'waiting' }
    takeJoined(found, merged.document)
  }

  function takeJoined(found: CalculatorOpened, joined: CalculatorDocument): void {
    adopt(found)
    joinedFrom.value = found.lastEditedBy
    put(joined)
    saveSoon(0)
  }

  /**
   * Does something to the calculator on the server (send, approve, take down), with everything saved before: what it is done
   * to is the revision that has come of that.
   */
  async function act(
    path: string,
    body?: (on: { readonly revision: number }) => object,
    method: 'POST' | 'PUT' | 'DELETE' = 'POST',
  ): Promise<void> {
    await save()
    if (saveState.value.is === 'failed') throw new ApiError('NOT_SAVED', saveState.value.sentence)
    if (!opened.value || saveState.value.is !== 'saved')
      throw new ApiError('NOT_SAVED', 'The draft is not saved yet.')
    try {
      const { id, revision } = opened.value
      adopt(await request(CalculatorOpened, method, `/calculators/${id}${path}`, body?.({ revision })))
    } catch (error) {
      // What is on the screen is out of date: show how it stands now, and let the person look again.
      const current = staleDraft(error)
      if (current) await join(current)
      throw error
    }
  }

  return {
    opened,
    document,
    compiled,
    evaluation,
    sheets,
    sheetsListed,
    sample,
    sampleId,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    undo,
    redo,
    saveState,
    conflicts,
    joinedFrom,
    conflictWith,
    open,
    close,
    change,
    changeStep,
    save,
    resolve,
    send: (note: string) => act('/send', (on) => ({ ...on, note })),
    sendBack: (remarks: readonly Remark[]) => act('/send-back', (on) => ({ ...on, remarks })),
    /** Now, or at a moment to come; with all that was ticked of the lender's checklist. */
    approve: (checked: readonly string[], at?: Date) =>
      act('/approve', (on) => ({ ...on, checked, ...(at && { at: at.toISOString() }) })),
    unschedule: () => act('/schedule', undefined, 'DELETE'),
    chooseStyle: (houseStyle: string) => act('/house-style', (on) => ({ ...on, houseStyle }), 'PUT'),
    takeDown: (message: string) => act('/take-down', () => ({ message })),
    bringBack: (number: number) => act(`/editions/${number}/live`),
  }
})

/** The draft as the server has it, in a refusal because ours was out of date. */
function staleDraft(error: unknown): CalculatorOpened | undefined {
  if (!isApiError(error, 'REVISION_STALE')) return undefined
  const current = CalculatorOpened.safeParse(error.body?.current)
  return current.success ? current.data : undefined
}
