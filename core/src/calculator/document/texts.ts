import { z } from 'zod'

/** A language and a country, like "en-CA": a BCP 47 tag that decides words, digits and dates. */
export const Locale = z.string().regex(/^[a-z]{2}-[A-Z]{2}$/, 'a language and a country, like "en-CA"')

/** A text in each of the calculator's languages; a language without an entry has not been translated. */
export const Texts = z.record(Locale, z.string().max(600))
export type Texts = z.infer<typeof Texts>

const Mark = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('bold') }),
  z.strictObject({ type: z.literal('italic') }),
  z.strictObject({
    type: z.literal('link'),
    attrs: z.strictObject({
      href: z
        .string()
        .max(500)
        .regex(/^(https:\/\/|mailto:|tel:)/, 'an address that begins with https://, mailto: or tel:'),
    }),
  }),
])
const Run = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('text'),
    text: z.string().min(1).max(4000),
    marks: z.array(Mark).max(4).optional(),
  }),
  z.strictObject({ type: z.literal('hardBreak') }),
])
const Paragraph = z.strictObject({ type: z.literal('paragraph'), content: z.array(Run).max(200).optional() })
const ListItem = z.strictObject({ type: z.literal('listItem'), content: z.array(Paragraph).min(1).max(10) })
const Block = z.discriminatedUnion('type', [
  Paragraph,
  z.strictObject({ type: z.literal('bulletList'), content: z.array(ListItem).min(1).max(60) }),
  z.strictObject({ type: z.literal('orderedList'), content: z.array(ListItem).min(1).max(60) }),
])

/** Text with emphasis, links and lists as a tree: nothing in it is ever read as HTML. */
export const RichText = z.strictObject({ type: z.literal('doc'), content: z.array(Block).max(100) })
export type RichText = z.infer<typeof RichText>
export type RichTextBlock = RichText['content'][number]
export type RichTextRun = z.infer<typeof Run>
export const RichTexts = z.record(Locale, RichText)
export type RichTexts = z.infer<typeof RichTexts>
