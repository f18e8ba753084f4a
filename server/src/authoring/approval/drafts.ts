import type { Sequelize, Transaction } from 'sequelize'
import type { Contributor, Person } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import { answeringStale, refuseStale } from '../../platform/http/stale'
import { contributorsNamed } from './four-eyes'

/** What people edit and others approve, as stored: a calculator, a rate sheet. */
export interface Draft {
  /** Goes up by one with every save. */
  readonly revision: number
  readonly lastEditedBy: string
  readonly lastEditedAt: Date
  /** The ids of all who changed it since something of it was approved; the database adds whoever saves. */
  readonly contributors: readonly string[]
  /** The revision that waits for an approval; null: none does. */
  readonly sentRevision: number | null
  readonly sentBy: string | null
  readonly sentNote: string
  readonly sentBack: SentBack | null
}

/** By whom and when (ISO) a draft was given back to its author; what for is said beside it. */
export interface SentBack {
  readonly by: string
  readonly at: string
}

interface DraftKeeping<Kept extends Draft, Opened> {
  readonly database: Sequelize
  /** The draft, kept from anyone else's changes until the transaction ends. */
  readonly locked: (id: string, transaction: Transaction) => Promise<Kept | undefined>
  readonly open: (id: string) => Promise<Opened>
  readonly unknown: (id: string) => AppError
}

/**
 * Runs actions on a draft that no one else can change meanwhile, and gives it as it is afterwards. One on another revision than
 * the draft has by then is refused, with the draft as it stands.
 */
export function changingDrafts<Kept extends Draft, Opened>({
  database,
  locked,
  open,
  unknown,
}: DraftKeeping<Kept, Opened>) {
  async function withLocked(
    id: string,
    act: (draft: Kept, transaction: Transaction) => Promise<void>,
  ): Promise<Opened> {
    await answeringStale(
      () =>
        database.transaction(async (transaction) => {
          const draft = await locked(id, transaction)
          if (!draft) throw unknown(id)
          await act(draft, transaction)
        }),
      () => open(id),
    )
    return open(id)
  }
  return {
    withLocked,
    atRevision: (
      id: string,
      revision: number,
      act: (draft: Kept, transaction: Transaction) => Promise<void>,
    ): Promise<Opened> =>
      withLocked(id, async (draft, transaction) => {
        refuseStale(draft, revision)
        await act(draft, transaction)
      }),
  }
}

export const sentForApproval = (revision: number, { id }: Person, note: string) => ({
  sentRevision: revision,
  sentBy: id,
  sentNote: note,
  sentBack: null,
})
export const nothingSent = { sentRevision: null, sentBy: null }

export function refuseNotSent({ sentRevision }: Pick<Draft, 'sentRevision'>, revision: number): void {
  if (sentRevision !== revision) throw new AppError('NOT_SENT_FOR_APPROVAL')
}

/** How a draft came to stand where it stands, with people by their names. What waited once and does not now is not said. */
export function comingAboutOf<Back extends SentBack>(
  draft: Draft & { readonly sentBack: Back | null },
  isSent: boolean,
  nameOf: (id: string) => string,
): {
  lastEditedBy: string
  lastEditedById: string
  lastEditedAt: string
  contributors: Contributor[]
  sentBy: string | null
  sentNote: string
  sentBack: Back | null
} {
  const { lastEditedBy, lastEditedAt, sentBy, sentNote, sentBack } = draft
  return {
    lastEditedBy: nameOf(lastEditedBy),
    lastEditedById: lastEditedBy,
    lastEditedAt: lastEditedAt.toISOString(),
    contributors: contributorsNamed(draft, nameOf),
    sentBy: isSent && sentBy !== null ? nameOf(sentBy) : null,
    sentNote: isSent ? sentNote : '',
    sentBack: sentBack && { ...sentBack, by: nameOf(sentBack.by) },
  }
}
