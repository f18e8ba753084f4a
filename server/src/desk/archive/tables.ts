/** A table that goes into the archive: its columns and what its rows are sorted by. */
export interface ArchivedTable {
  readonly name: string
  readonly columns: readonly string[]
  readonly order: string
  /** Columns that point forward, to rows that come later: filled in at the end. */
  readonly later?: readonly string[]
  /** Whether an empty installation has rows of it already: those of the archive take their place. */
  readonly ships?: boolean
  /** The version of archives that has it first. */
  readonly since?: number
}

/**
 * What an archive holds, in the order it can be brought back in. Left out: passwords, invitations, sessions and keys
 * (they are secrets; people are invited anew and keys made anew), hand-overs (they are visitors' and on their way to
 * the lender's people), and where snippets were seen (it is seen again).
 */
export const archivedTables: readonly ArchivedTable[] = [
  { name: 'people', columns: ['id', 'email', 'name', 'role', 'active'], order: 'id' },
  {
    name: 'house_styles',
    columns: ['id', 'name', 'choices', 'revision', 'last_edited_by', 'last_edited_at'],
    order: 'id',
    ships: true,
  },
  {
    name: 'checklists',
    columns: ['id', 'items', 'revision', 'last_edited_by', 'last_edited_at'],
    order: 'id',
    ships: true,
    since: 3,
  },
  {
    name: 'rate_sheets',
    columns: [
      'id',
      'draft',
      'sheet',
      'revision',
      'last_edited_by',
      'last_edited_at',
      'live_revision',
      'sent_revision',
      'sent_by',
      'sent_note',
      'sent_back',
      'contributors',
    ],
    order: 'id',
  },
  {
    name: 'sheet_editions',
    columns: [
      'sheet_id',
      'number',
      'sheet',
      'revision',
      'edited_by',
      'approved_by',
      'approved_at',
      'note',
      'contributors',
    ],
    order: 'sheet_id, number',
  },
  {
    name: 'calculators',
    columns: [
      'id',
      'slug',
      'draft',
      'revision',
      'last_edited_by',
      'last_edited_at',
      'sent_revision',
      'sent_by',
      'sent_note',
      'sent_back',
      'sent_content',
      'sent_sheets',
      'contributors',
      'live_edition',
      'taken_down_at',
      'taken_down_message',
      'house_style',
      'scheduled_edition',
      'scheduled_at',
      'scheduled_by',
      'folder',
      'put_away',
    ],
    order: 'id',
    later: ['live_edition', 'scheduled_edition', 'scheduled_at', 'scheduled_by'],
  },
  {
    name: 'editions',
    columns: [
      'calculator_id',
      'number',
      'content',
      'sha256',
      'draft',
      'revision',
      'edited_by',
      'approved_by',
      'published_at',
      'note',
      'contributors',
    ],
    order: 'calculator_id, number',
  },
  {
    name: 'edition_lives',
    columns: ['calculator_id', 'number'],
    order: 'calculator_id, number',
    since: 2,
  },
  { name: 'sites', columns: ['id', 'name', 'origins', 'stand_in'], order: 'id' },
  {
    name: 'placements',
    columns: ['id', 'site_id', 'page', 'calculator_id', 'language', 'answers', 'width', 'made_at'],
    order: 'id',
  },
  {
    name: 'audience_counts',
    columns: ['day', 'calculator', 'edition', 'language', 'placement', 'event', 'count'],
    order: 'day, calculator, edition, language, placement, event',
  },
  {
    name: 'audience_bands',
    columns: ['day', 'calculator', 'question', 'band', 'count'],
    order: 'day, calculator, question, band',
  },
  {
    name: 'record',
    columns: [
      'number',
      'at',
      'person_id',
      'person',
      'act',
      '"of"',
      'id',
      'subject',
      'details',
      'previous',
      'hash',
    ],
    order: 'number',
  },
]

export function tableNamed(name: string): ArchivedTable {
  const found = archivedTables.find((table) => table.name === name)
  if (!found) throw new Error(`${name} is no table of the archive`)
  return found
}
