import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Changes, Reading, ShownCell } from '@vivid/worksheet'
import type { WorksheetReply, WorksheetRequest } from './worksheet-worker'

/** Honest files take a tenth of it. */
const LONGEST_MS = 15_000
const MOST_BYTES = 32 * 2 ** 20

/**
 * The worksheet that is looked at, read in a worker: nothing of it leaves the browser before a draft is made. A change of a guess
 * reads it anew.
 */
export const useWorksheet = defineStore('worksheet', () => {
  const name = ref('')
  /** The draft it is read again for; empty: a new one. */
  const target = ref('')
  const reading = shallowRef<Reading>()
  const changes = shallowRef<Changes>({})
  const problem = ref('')
  /** From 0 to 1 while it is read. */
  const done = ref<number>()
  const chosen = ref('')
  let worker: Worker | undefined
  /** The file, for a worker that has not read it yet. */
  let bytes: Uint8Array | undefined
  /** Readings that are under way: the last one counts. */
  let waiting = 0
  let timer: number | undefined

  const cells = computed(
    () =>
      new Map((reading.value?.sheets ?? []).flatMap((sheet) => sheet.cells.map((cell) => [cell.cell, cell]))),
  )

  async function open(file: Blob, fileName: string, forDraft = ''): Promise<void> {
    close()
    target.value = forDraft
    name.value = fileName
    if (file.size > MOST_BYTES) {
      problem.value = `This file is larger than ${MOST_BYTES / 2 ** 20} MB.`
      return
    }
    done.value = 0
    bytes = new Uint8Array(await file.arrayBuffer())
    // Another file may have been chosen meanwhile.
    if (name.value === fileName) ask()
  }

  /** Says something of a cell otherwise than it was guessed. */
  function change(kind: keyof Changes, cell: string, value: unknown): void {
    changes.value = { ...changes.value, [kind]: { ...changes.value[kind], [cell]: value } }
    ask()
  }

  function ask(): void {
    const isNew = worker === undefined
    worker ??= new Worker(new URL('./worksheet-worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<WorksheetReply>) => answer(data)
    worker.onerror = () => fail('This worksheet cannot be read.')
    problem.value = ''
    done.value = 0
    window.clearTimeout(timer)
    timer = window.setTimeout(() => fail('This worksheet takes too much to read.'), LONGEST_MS)
    waiting += 1
    const request: WorksheetRequest = { title: titleOf(name.value), changes: changes.value }
    worker.postMessage(isNew && bytes ? { ...request, bytes } : request)
  }

  function answer(reply: WorksheetReply): void {
    if ('done' in reply) {
      done.value = reply.done
      return
    }
    waiting -= 1
    if (waiting > 0) return
    window.clearTimeout(timer)
    done.value = undefined
    if ('refused' in reply) fail(reply.refused)
    else if ('reading' in reply) reading.value = reply.reading
  }

  function fail(sentence: string): void {
    stop()
    problem.value = sentence
  }

  /** Ends the reading that is under way; what was read before stays. */
  function stop(): void {
    window.clearTimeout(timer)
    worker?.terminate()
    worker = undefined
    waiting = 0
    done.value = undefined
  }

  function close(): void {
    stop()
    name.value = target.value = problem.value = chosen.value = ''
    reading.value = undefined
    bytes = undefined
    changes.value = {}
  }

  /** What was read and said stays while its author looks elsewhere, unless it is for another draft. */
  function lookAt(forDraft: string): void {
    if (target.value !== forDraft) close()
  }

  return {
    name,
    title: computed(() => titleOf(name.value)),
    reading,
    currency: computed(() => reading.value?.worksheet.currency ?? 'USD'),
    problem,
    done,
    chosen,
    cells,
    chosenCell: computed((): ShownCell | undefined => cells.value.get(chosen.value)),
    /** What is asked of visitors without the file saying as what. */
    undecided: computed(() =>
      [...cells.value.values()].filter(({ asked }) => asked && !asked.isSure && asked.others.length > 0),
    ),
    open,
    lookAt,
    change,
    stop,
    close,
  }
})

const titleOf = (fileName: string): string =>
  fileName
    .replace(/\.xlsx$/i, '')
    .replace(/[-_]+/g, ' ')
    .replace(/^./, (first) => first.toUpperCase())
