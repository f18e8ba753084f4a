import type { DrawnPage } from '@vivid/contract/visitor'

/** What may stand in a rule of ours: numbers, words, custom properties. */
const PLAIN = /^[\w\s:;.%()-]*$/

/** The page's policy lets no style stand on an element: each becomes a rule. Drawn pictures have none. */
export function withoutStyleAttributes(html: string): DrawnPage {
  const styles = new Map<string, number>()
  const drawn = html.replace(/(<[a-z][^<>]*?) style="([^"]*)"/g, (_, before: string, style: string) => {
    if (!PLAIN.test(style)) throw new Error(`a style that cannot be a rule: ${style}`)
    if (style === '') return before
    const number = styles.get(style) ?? styles.size
    styles.set(style, number)
    return `${before} data-drawn="${number}"`
  })
  const rules = [...styles].map(([style, number]) => `:root:root [data-drawn="${number}"]{${style}}`)
  return { html: drawn, rules: rules.join('') }
}
