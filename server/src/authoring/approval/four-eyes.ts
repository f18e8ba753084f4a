import type { Contributor, Person } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'

/** A draft, by whom it was changed since something of it was approved (ids). */
export interface Contributed {
  readonly lastEditedBy: string
  readonly contributors: readonly string[]
}

/** All whose figures an approval would put live. */
export const contributorsOf = ({ lastEditedBy, contributors }: Contributed): string[] => [
  ...new Set([...contributors, lastEditedBy]),
]

/** Nobody approves what they had a hand in; the database refuses it too. */
export function refuseContributor(draft: Contributed, { id }: Pick<Person, 'id'>): void {
  if (draft.lastEditedBy === id) throw new AppError('APPROVER_IS_LAST_EDITOR')
  if (draft.contributors.includes(id)) throw new AppError('APPROVER_CONTRIBUTED')
}

export const contributorsNamed = (draft: Contributed, nameOf: (id: string) => string): Contributor[] =>
  draft.contributors.map((id) => ({ id, name: nameOf(id) }))

/** All whose figures an approval put live. Those of before contributors were kept name who changed them last. */
export const authorsOf = (edition: {
  readonly editedBy: string
  readonly contributors: readonly string[]
}): readonly string[] => (edition.contributors.length > 0 ? edition.contributors : [edition.editedBy])
