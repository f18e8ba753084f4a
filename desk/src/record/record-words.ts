import type { RecordAct, RecordEntry } from '@vivid/contract'
import { momentOf } from '../shared/time/moments'

/** What was done, as the middle of a sentence: "Ines Okafor made Narrowboat loan". */
export const actWords: Readonly<Record<RecordAct, string>> = {
  calculatorMade: 'made',
  calculatorFiled: 'moved',
  calculatorPutAway: 'put away',
  calculatorTakenUp: 'took up again',
  calculatorRemoved: 'removed for good',
  draftChanged: 'changed the draft of',
  proofChanged: 'changed what a proof expects in',
  sent: 'sent for approval',
  sentBack: 'sent back',
  published: 'put live',
  broughtBack: 'brought back',
  takenDown: 'took down',
  sheetAdded: 'added the rate sheet',
  sheetChanged: 'changed the rate sheet',
  sheetSent: 'sent the rate sheet for approval',
  sheetSentBack: 'sent back the rate sheet',
  sheetApproved: 'put in force the rate sheet',
  scheduled: 'approved for a later time',
  unscheduled: 'kept from going live',
  styleChosen: 'chose another house style for',
  styleAdded: 'added the house style',
  styleChanged: 'changed the house style',
  styleRemoved: 'removed the house style',
  siteAdded: 'listed the site',
  siteChanged: 'changed the site',
  siteRemoved: 'removed the site',
  placed: 'placed on',
  placementChanged: 'changed the placement on',
  placementRemoved: 'removed the placement from',
  personInvited: 'invited',
  personChanged: 'changed the name or role of',
  personDeactivated: 'closed the desk to',
  personReactivated: 'opened the desk again to',
  passwordSet: 'set a password for',
  changeAsked: 'asked for a second keeper about',
  changeConfirmed: 'agreed about',
  changeDeclined: 'declined what was asked about',
  signedIn: 'signed in as',
  signInFailed: 'tried a wrong password or code of',
  accountLocked: 'was kept from guessing the password of',
  secondFactorSet: 'set up a second factor of',
  secondFactorRemoved: 'removed a second factor of',
  recoveryUsed: 'used up a recovery code of',
  sessionEnded: 'ended sessions of',
  keyMade: 'made the key',
  keyWithdrawn: 'withdrew the key',
  archiveTaken: 'took an archive of',
  archiveBroughtIn: 'brought in',
  checklistChanged: 'changed',
}

const requestWords: Readonly<Record<string, string>> = {
  role: 'another role',
  reset: 'a new password link',
  invitation: 'an invitation',
  return: 'letting them in again',
  factors: 'removing their second factor',
}

const madeFrom: Readonly<Record<string, string>> = {
  starter: 'from a starter',
  empty: 'from nothing',
  copy: 'as a copy',
  file: 'from a file',
}

/** What there is to say besides: the edition, the revision, a note. */
export function detailWords({ act, details }: RecordEntry): string {
  const { edition, revision, from, note, versions, at, timed, calculator, language, role, origins, style } =
    details
  const { proof, figure, before: earlier, after, by } = details
  const joined = (...parts: unknown[]) => parts.filter(Boolean).join(': ')
  const editionWords = edition === undefined ? '' : `edition ${edition}`
  switch (act) {
    case 'calculatorMade':
      return madeFrom[String(from)] ?? ''
    case 'published':
      return joined(
        editionWords,
        timed ? 'at its time' : (note ?? (by && `changed by ${by}`)),
        checkedWords(details),
      )
    case 'scheduled':
      return joined(editionWords, at && `for ${momentOf(new Date(String(at)))}`, checkedWords(details))
    case 'broughtBack':
    case 'takenDown':
    case 'unscheduled':
      return joined(editionWords, note)
    case 'draftChanged':
    case 'sent':
    case 'sentBack':
      return joined(revision === undefined ? '' : `revision ${revision}`, note)
    case 'proofChanged':
      return joined(proof, figure && `${figure} from ${earlier} to ${after}`)
    case 'sheetAdded':
    case 'sheetChanged':
    case 'sheetSent':
    case 'sheetSentBack':
    case 'sheetApproved':
      return joined(editionWords || `versions from ${versions}`, note)
    case 'archiveBroughtIn':
      return broughtWords(details)
    case 'checklistChanged':
      return String(details.items || 'nothing')
    case 'calculatorFiled':
      return details.folder ? `to the folder ${details.folder}` : 'out of its folder'
    case 'styleChosen':
      return String(style)
    case 'placed':
    case 'placementChanged':
    case 'placementRemoved':
      return [calculator, language].filter(Boolean).join(', ')
    case 'keyMade':
      return [details.for && `for ${details.for}`, details.until && `until ${details.until}`]
        .filter(Boolean)
        .join(', ')
    case 'siteAdded':
    case 'siteChanged':
      return String(origins)
    case 'changeAsked':
    case 'changeConfirmed':
    case 'changeDeclined':
      return [requestWords[String(details.kind)], role].filter(Boolean).join(', ')
    case 'signedIn':
      return by ? `by ${by}` : ''
    case 'secondFactorSet':
    case 'secondFactorRemoved':
      return String(details.what ?? '')
    case 'recoveryUsed':
      return details.left === undefined ? '' : `${details.left} left`
    case 'sessionEnded':
      return String(details.which ?? '')
    case 'personInvited':
    case 'personChanged':
      return role ? `as ${role}` : ''
    default:
      return ''
  }
}

const broughtWords = (details: RecordEntry['details']) =>
  ['calculators', 'sheets', 'styles', 'placements', 'people', 'days', 'entries']
    .flatMap((what) => (details[what] ? [`${details[what]} ${what}`] : []))
    .join(', ')
const checkedWords = ({ checked }: RecordEntry['details']) => checked && `ticked ${checked}`
