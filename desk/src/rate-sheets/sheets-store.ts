import { dequal as equal } from 'dequal/lite'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { RateSheet, sheetFaults } from '@vivid/core'
import { SheetImpactSaid, SheetListed } from '@vivid/contract'
import { slugOf } from '@vivid/contract/formats'
import { isApiError, sentenceOf } from '../shared/api/api-error'
import { request } from '../shared/api/request'
import { useAsking } from '../shared/api/use-asking'
import { createHistory } from '../shared/undo/history'

/** A row that nothing was typed in yet does not count. */
const withoutEmptyRows = (sheet: RateSheet): RateSheet => ({
  ...sheet,
  versions: sheet.versions.map((version) => ({
    ...version,
    rows: version.rows.filter(({ keys, value }) => [...keys, value].some((text) => text.trim() !== '')),
  })),
})

const sayWhatWentWrong = (error: unknown): string =>
  isApiError(error, 'REVISION_STALE')
    ? 'Somebody else saved this sheet meanwhile. What you typed is still here: copy it, load the sheet again, and paste it.'
    : sentenceOf(error)

/** The rate sheets at this desk, and the one that is open: what is typed, what of it is kept, what it would do. */
export const useSheets = defineStore('sheets', () => {
  const listed = shallowRef<readonly SheetListed[]>()
  const sheet = shallowRef<RateSheet>()
  const revision = ref(0)
  const { busy, problem, asking: act } = useAsking(sayWhatWentWrong)
  const impact = shallowRef<SheetImpactSaid>()
  const history = createHistory<RateSheet>()

  const saved = computed(() => listed.value?.find((one) => one.sheet.id === sheet.value?.id))
  const typed = computed(() => sheet.value && withoutEmptyRows(sheet.value))
  const isChanged = computed(() => !equal(saved.value?.sheet, typed.value))
  /** Values that are no decimals yet cannot even be checked further. */
  const isReadable = computed(() => RateSheet.safeParse(typed.value).success)
  const faults = computed(() => (typed.value && isReadable.value ? sheetFaults(typed.value) : []))

  async function load(asked: string): Promise<void> {
    await act(async () => {
      listed.value = await request(z.array(SheetListed), 'GET', '/rate-sheets')
      choose(listed.value.find((one) => one.sheet.id === asked) ?? listed.value[0])
    })
  }

  function choose(one: SheetListed | undefined): void {
    history.clear()
    impact.value = undefined
    problem.value = ''
    sheet.value = one?.sheet
    revision.value = one?.revision ?? 0
  }

  function begin(fresh: RateSheet): void {
    choose(undefined)
    sheet.value = fresh
  }

  function change(next: RateSheet, key?: string): void {
    if (!sheet.value) return
    history.add(sheet.value, next, key)
    sheet.value = next
    impact.value = undefined
  }
  /** The identifier of a sheet that is not kept yet, from its name: no other sheet has it. */
  const idFor = (name: string) => slugOf(name, new Set(listed.value?.map((one) => one.sheet.id)), 'new-sheet')
  function rename(name: string): void {
    if (!sheet.value) return
    const id = revision.value === 0 ? idFor(name) : sheet.value.id
    change({ ...sheet.value, id, name }, 'name')
  }
  const undo = () => void (sheet.value && (sheet.value = history.undo(sheet.value)))
  const redo = () => void (sheet.value && (sheet.value = history.redo(sheet.value)))

  /** Takes what the server has of a sheet now. */
  async function take(kept: SheetListed): Promise<void> {
    const others = (listed.value ?? []).filter((one) => one.sheet.id !== kept.sheet.id)
    listed.value = [...others, kept].sort((a, b) => a.sheet.id.localeCompare(b.sheet.id))
    sheet.value = kept.sheet
    revision.value = kept.revision
  }

  const save = () =>
    act(async () => {
      if (!typed.value) return
      const body = { revision: revision.value, sheet: typed.value }
      await take(await request(SheetListed, 'PUT', '/rate-sheets', body))
    })

  /** Sends, sends back or approves, with everything saved before. */
  async function step(action: 'send' | 'send-back' | 'approve', more: object = {}): Promise<boolean> {
    if (isChanged.value && !(await save())) return false
    return act(async () => {
      const path = `/rate-sheets/${sheet.value?.id}/${action}`
      await take(await request(SheetListed, 'POST', path, { revision: revision.value, ...more }))
    })
  }

  const showImpact = () =>
    act(async () => {
      impact.value = await request(SheetImpactSaid, 'POST', '/rate-sheets/impact', { sheet: typed.value })
    })

  /** Puts a state that was approved before into the draft, where it can be changed and sent. */
  const startFrom = (number: number) =>
    act(async () => {
      const before = await request(RateSheet, 'GET', `/rate-sheets/${sheet.value?.id}/editions/${number}`)
      change(before)
    })

  return {
    listed,
    sheet,
    revision,
    saved,
    isChanged,
    isReadable,
    faults,
    problem,
    busy,
    impact,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    load,
    choose,
    begin,
    change,
    idFor,
    rename,
    undo,
    redo,
    save,
    step,
    showImpact,
    startFrom,
  }
})
