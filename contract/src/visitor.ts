import {
  loanReference,
  type Answers,
  type Evaluation,
  type Ledger,
  type Program,
  type RateSheet,
  type Texts,
} from '@vivid/core/evaluate'

/** A lender's logo: a PNG or SVG image as a data URL, made safe when it was kept, with its size in CSS pixels. */
export interface Logo {
  readonly image: string
  /** What it says, for whoever cannot see it. */
  readonly alt: string
  readonly width: number
  readonly height: number
}

/** What a lender words otherwise on its pages, by the two letters of a language and the name of the phrase. */
export type OwnWords = NonNullable<Program['words']>

/** The lender's looks, resolved once into CSS custom properties when an edition is made, with its logo and its words. */
export type HouseStyle = { readonly [name: `--${string}`]: string } & {
  readonly logo?: Logo | undefined
  readonly words?: OwnWords | undefined
}

/** A style with the words of these languages only. */
export function styleSpeaking({ words, ...style }: HouseStyle, languages: readonly string[]): HouseStyle {
  const spoken = Object.entries(words ?? {}).filter(([letters]) =>
    languages.some((locale) => locale.startsWith(letters)),
  )
  return { ...style, ...(spoken.length > 0 && { words: Object.fromEntries(spoken) }) }
}

/** The program of what an edition holds, in the lender's words. */
export const wordedProgram = ({
  program,
  style: { words },
}: Pick<EditionContent, 'program' | 'style'>): Program => (words ? { ...program, words } : program)

/** The custom properties of a style, by name. */
export const propertiesOf = (style: HouseStyle): (readonly [`--${string}`, string])[] =>
  Object.entries(style).filter((entry): entry is [`--${string}`, string] => entry[0].startsWith('--'))

/** What an edition freezes; its SHA-256 is over the canonical JSON of this. */
export interface EditionContent {
  readonly format: 'vivid-meter/edition'
  readonly version: 1
  readonly program: Program
  readonly style: HouseStyle
}

/** What the page of a live calculator starts with. */
export interface LiveCalculator {
  readonly slug: string
  readonly edition: number
  readonly sha256: string
  readonly publishedAt: string
  readonly content: EditionContent
}

/** A live calculator as it is served: with the day it is worked out for, so that page and server agree. */
export interface ServedCalculator extends LiveCalculator {
  /** ISO date */
  readonly today: string
  /** The rate sheets the program looks values up in, as they stand. */
  readonly sheets: readonly RateSheet[]
  /** Whether somebody takes what visitors hand over; where nobody does, it is not offered. */
  readonly handsOver: boolean
}

/** A page drawn by the server: its HTML, without styles on elements, and the CSS rules that stand for those. */
export interface DrawnPage {
  readonly html: string
  readonly rules: string
}

/** Files of a visitor's figures the server makes. */
export const fileKinds = ['pdf', 'xlsx', 'calendar', 'fewDates'] as const
export type FileKind = (typeof fileKinds)[number]

/** Who wants to be reached about their figures, and how; only with consent. */
export interface HandOverDetails {
  readonly name: string
  readonly reach: string
  readonly message: string
  readonly consent: true
}

/** Whether a text is an email address or a phone number somebody could be reached by. */
export const isReachable = (text: string): boolean =>
  /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(text) || text.replace(/\D/g, '').length >= 6

/** A loan whose schedule is kept: which, and, where the page shows several side by side, what it is called there. */
export interface KeptLoan {
  /** The step it is. */
  readonly loan: string
  readonly ledger: Ledger
  readonly label: Texts | undefined
}

/** The loan whose schedule is kept: the one the page shows, else the first; none where nothing is borrowed. */
export function keptLoan(
  { readouts, ledgers }: Pick<Evaluation, 'readouts' | 'ledgers'>,
  { steps }: Pick<Program, 'steps'>,
): KeptLoan | undefined {
  const shown = readouts.find((readout) => readout.shows === 'schedule')
  const scheduled = shown?.shows === 'schedule' && ledgers.has(shown.loan) ? shown.loan : undefined
  // The loans of a refinancing are kept where they are shown: neither is the page's loan as such.
  const loan = scheduled ?? [...ledgers.keys()].find((id) => !loanReference(id).which)
  const ledger = loan === undefined ? undefined : ledgers.get(loan)
  if (loan === undefined || !ledger) return undefined
  const compared = steps.flatMap(({ step }) => (step.kind === 'comparison' ? step.loans : []))
  return { loan, ledger, label: compared.find((one) => one.loan === loan)?.label }
}

/** What a host page hears of a calculator placed on it: what happened, never an answer or a person. */
export const hostEvents = ['opened', 'changed', 'result', 'kept', 'handedOver'] as const
export type HostEvent = (typeof hostEvents)[number]

/** Messages between a framed calculator and the page around it. Each side checks origin and source. */
export type FrameMessage =
  /** Page to frame, once the frame has loaded: who may be told the height. */
  | { readonly vividMeter: 'hello' }
  /** Page to frame: how much of the frame is scrolled away at the top, in CSS pixels. */
  | { readonly vividMeter: 'sight'; readonly top: number }
  /** Frame to page: the height of its content in CSS pixels, and its title. */
  | { readonly vividMeter: 'height'; readonly height: number; readonly title: string }
  /** Frame to page: something happened. */
  | {
      readonly vividMeter: 'event'
      readonly event: HostEvent
      readonly calculator: string
      readonly edition: number
      readonly language: string
    }
  /** Preview frame to desk: ready for a program. */
  | { readonly vividMeter: 'previewReady' }
  /** Preview frame to desk: what is answered now, as far as it can be read. */
  | { readonly vividMeter: 'previewAnswers'; readonly answers: Answers }
  /** Preview frame to desk: results that wait for a button were asked for. */
  | { readonly vividMeter: 'previewAsked' }
  /** Desk to preview frame: ask for results that wait for a button. */
  | { readonly vividMeter: 'previewAsk' }
  /** Desk to preview frame: bring this step or part of the page into sight. */
  | { readonly vividMeter: 'previewShow'; readonly of: string }
  /** Desk to preview frame: show this draft with these answers. */
  | {
      readonly vividMeter: 'preview'
      readonly content: EditionContent
      readonly answers: Answers
      /** Counts how often these answers were given: given again, they take the place of what was typed since. */
      readonly turn: number
      readonly today: string
      readonly sheets: readonly RateSheet[]
      readonly language: string
      readonly marks: readonly PreviewMark[]
      /** The step that is brought into sight at first. */
      readonly sight?: string
    }

/** Texts of the page itself, which can be marked like a step. */
export const pageParts = ['title', 'introduction', 'nextSteps', 'disclosure'] as const

/** What is marked on a preview: a step by its id, or a part of the page, and what is said there, like "new". */
export interface PreviewMark {
  readonly of: string
  readonly said: string
}

const kinds: readonly unknown[] = [
  'hello',
  'sight',
  'height',
  'event',
  'previewReady',
  'previewAnswers',
  'previewAsked',
  'previewAsk',
  'previewShow',
  'preview',
] satisfies FrameMessage['vividMeter'][]

export const isFrameMessage = (data: unknown): data is FrameMessage =>
  typeof data === 'object' && data !== null && 'vividMeter' in data && kinds.includes(data.vividMeter)
