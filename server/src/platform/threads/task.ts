import type { ErrorCode } from '@vivid/contract'
import type { ErrorExtras } from '../http/app-error'
import type { Problems } from './broken-steps'

/** For whom something is done: those of one `who` never hold up those of another. */
export interface ForWhom {
  /** A person's id, a key's, or the network of an address. */
  readonly who: string
  /** What the log is told where it is broken: "draft raft-loan". */
  readonly what: string
  /** Nobody waits for it any more: it is not begun. */
  readonly signal?: AbortSignal
}

/** Something done in a thread: a function of plain data. */
export type Elsewhere<Input, Result> = (input: Input, forWhom: ForWhom) => Promise<Result>

/** What a task gives, and what of it was broken by our own doing, for the log. */
export interface Done<Result> {
  readonly result: Result
  readonly broken: Problems
}

/** Tasks by name, as they are done in a thread. */
export type TaskTable = Readonly<Record<string, (input: never) => Promise<Done<unknown>>>>

/** How long each may take, from when its turn comes, and who waits for it. */
export type TaskRules<Table> = {
  readonly [Name in keyof Table]: {
    readonly seconds: number
    readonly awaitedBy: 'visitors' | 'desk'
  }
}

/** The same tasks, asked for from outside. */
export type Doing<Table extends TaskTable> = {
  readonly [Name in keyof Table]: Elsewhere<
    Parameters<Table[Name]>[0],
    Awaited<ReturnType<Table[Name]>>['result']
  >
}

/** As it is sent to a thread. */
export interface Task {
  readonly name: string
  readonly input: unknown
}

/** A refusal has to be said as plain data to come out of a thread. */
export type Outcome =
  | { readonly ok: true; readonly done: Done<unknown> }
  | { readonly ok: false; readonly code: ErrorCode; readonly extras: ErrorExtras }
