import { pageParts, type PreviewMark } from '@vivid/contract/visitor'

const parts: Readonly<Record<(typeof pageParts)[number], string>> = {
  title: 'h1',
  introduction: '.introduction',
  nextSteps: '.next-steps',
  disclosure: '.disclosure',
}
const isPart = (of: string): of is (typeof pageParts)[number] => Object.hasOwn(parts, of)

const selectorOf = (of: string): string =>
  isPart(of) ? `.calculator ${parts[of]}` : `[data-step="${CSS.escape(of)}"]`

let sheet: CSSStyleSheet | undefined

/** Draws a frame around what is marked, with what is said of it. As rules, so that it stays whatever is drawn anew. */
export function markParts(marks: readonly PreviewMark[], view: Document = document): void {
  sheet ??= new CSSStyleSheet()
  if (!view.adoptedStyleSheets.includes(sheet)) view.adoptedStyleSheets.push(sheet)
  sheet.replaceSync(marks.map(ruleOf).join('\n'))
}

const ruleOf = ({ of, said }: PreviewMark): string => {
  const at = selectorOf(of)
  return `${at} { position: relative; outline: 2px dashed var(--accent); outline-offset: 5px; border-radius: 2px; }
${at}::before { content: ${JSON.stringify(said)}; position: absolute; z-index: 1; inset: -15px -5px auto auto;
  padding: 0 6px; border-radius: 3px; background: var(--accent); color: var(--on-accent); font: 600 12px/18px var(--text); }`
}

/** Brings what is marked into sight, without moving the page around this frame. */
export function showPart(of: string, view: Window = window): void {
  const top = view.document.querySelector(selectorOf(of))?.getBoundingClientRect().top
  if (top !== undefined) view.scrollBy({ top: top - view.innerHeight / 4, behavior: 'instant' })
}
