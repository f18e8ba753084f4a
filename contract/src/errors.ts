import { z } from 'zod'

/**
 * Every error the server can send: its status and its sentence, with {places} for the details. A code is never
 * renamed or used again.
 */
export const errorTable = {
  BODY_UNREADABLE: { status: 400, text: 'The request is not valid JSON.' },
  BODY_TOO_LARGE: { status: 413, text: 'The request is larger than {limit}; send less.' },
  BODY_NOT_JSON: { status: 415, text: 'Send the request as JSON, with the content type application/json.' },
  REQUEST_INVALID: { status: 400, text: '{what}' },
  ANSWERS_INVALID: { status: 422, text: '{what}' },
  NOT_SIGNED_IN: { status: 401, text: 'Sign in first; your session may have ended.' },
  SIGN_IN_REFUSED: { status: 401, text: 'No one here has this e-mail address with this password.' },
  SIGN_IN_THROTTLED: { status: 429, text: 'Too many attempts. Try again in {minutes} minutes.' },
  ORIGIN_REFUSED: { status: 403, text: 'This request came from another site and was not carried out.' },
  ROLE_NOT_ALLOWED: { status: 403, text: 'This takes the role of {allowed}; yours is {role}.' },
  APPROVER_IS_LAST_EDITOR: {
    status: 403,
    text: 'You made the last change yourself, so another approver has to put it live.',
  },
  APPROVER_CONTRIBUTED: {
    status: 403,
    text: 'You changed this yourself since it was last approved, so another approver has to put it live.',
  },
  ADDRESS_UNKNOWN: { status: 404, text: 'There is nothing at this address.' },
  METHOD_NOT_ALLOWED: { status: 405, text: 'This address takes {allowed}, not {method}.' },
  CALCULATOR_UNKNOWN: { status: 404, text: 'No calculator is called “{calculator}”.' },
  STARTER_UNKNOWN: { status: 404, text: 'No starter is called “{starter}”.' },
  FILE_UNREADABLE: {
    status: 422,
    text: 'This file is no calculator that can be read here: at “{where}”, {what}.',
  },
  SHEET_UNKNOWN: { status: 404, text: 'No rate sheet is called “{sheet}”.' },
  SHEET_TAKEN: { status: 409, text: 'A rate sheet with the address “{sheet}” is here already.' },
  SHEET_INVALID: { status: 422, text: 'The rate sheet cannot be kept: {what}' },
  SHEET_UNCHANGED: { status: 409, text: 'The draft of this rate sheet is the same as what is in force.' },
  SHEET_NOT_APPROVED: {
    status: 409,
    text: 'The rate sheet “{sheet}” has not been approved yet; until it is, nothing that looks values up in it can go live.',
  },
  CALCULATOR_IN_USE: {
    status: 409,
    text: 'The calculator “{calculator}” is live, waits for its time, or waits for approval. Take it down or change it first.',
  },
  CALCULATOR_WAS_LIVE: {
    status: 409,
    text: 'Visitors had “{calculator}” once, and what they had is kept. Put it away instead.',
  },
  CALCULATOR_PLACED: {
    status: 409,
    text: 'The calculator “{calculator}” is placed on a page. Remove its placements first.',
  },
  LOGO_REFUSED: { status: 422, text: 'This image cannot be a logo: {what}.' },
  CHECKLIST_OPEN: {
    status: 409,
    text: 'Not ticked yet, and has to be before this goes live: {open}.',
  },
  SENT_OUTDATED: {
    status: 409,
    text: 'What was sent is not what visitors would get now: {what}. Have it sent again, and look at it as it is.',
  },
  EDITION_NEVER_LIVE: {
    status: 409,
    text: 'Edition {number} was never live: its approval was withdrawn. Send the draft for approval again.',
  },
  PROOFS_DIFFER: { status: 409, text: 'The draft cannot be sent: {what}' },
  CALCULATOR_NOT_LIVE: { status: 404, text: 'The calculator “{calculator}” has not been published.' },
  CALCULATOR_TAKEN_DOWN: { status: 410, text: 'The calculator “{calculator}” is no longer offered.' },
  PAGE_OUTDATED: {
    status: 409,
    text: 'This page was opened for {day}; load it again for today’s figures.',
  },
  HAND_OVER_OFF: {
    status: 409,
    text: 'Nobody takes figures that are handed over here at the moment. Nothing was kept or sent.',
  },
  NOTHING_BORROWED: {
    status: 422,
    text: 'With these answers “{calculator}” has no loan to keep a schedule of.',
  },
  TOO_MANY_REQUESTS: { status: 429, text: 'Too many at once. Try again in {seconds} seconds.' },
  WORK_STOPPED: { status: 422, text: 'This was stopped, because {why}. Make it simpler, or try again.' },
  EDITION_UNKNOWN: { status: 404, text: 'This calculator has no edition {number}.' },
  REVISION_STALE: { status: 409, text: 'Someone else changed this while you were working on it.' },
  DRAFT_HAS_PROBLEMS: { status: 409, text: 'The draft cannot go live yet: {what}' },
  DRAFT_UNCHANGED: { status: 409, text: 'The draft is the same as edition {number}, which is live.' },
  TIME_PAST: {
    status: 422,
    text: 'The time {time} is not in the future; choose a later one, or put it live now.',
  },
  NOTHING_SCHEDULED: { status: 409, text: 'No edition of this calculator waits for its time.' },
  STYLE_UNKNOWN: { status: 404, text: 'No house style is called “{style}”.' },
  STYLE_TAKEN: { status: 409, text: 'A house style with the address “{style}” is here already.' },
  WORDS_UNFIT: { status: 422, text: 'In the words for “{language}”: {what}' },
  LANGUAGE_NOT_FILLED: {
    status: 409,
    text: 'The page cannot speak {language} yet; phrases without words: {count}. Fill them under House styles, or take the language off.',
  },
  STYLE_UNREADABLE: { status: 422, text: 'With these colours visitors could not read the page: {what}.' },
  STYLE_IN_USE: { status: 409, text: 'This house style is worn by {calculators}; give them another first.' },
  SITE_UNKNOWN: { status: 404, text: 'There is no such site.' },
  SITE_IN_USE: { status: 409, text: 'On this site stand {count} placements; remove them first.' },
  PLACEMENT_UNKNOWN: { status: 404, text: 'There is no such placement.' },
  PRESET_REFUSED: {
    status: 422,
    text: 'A page cannot begin with “{answer}” for “{question}”: “{calculator}” does not take it as it is now.',
  },
  PERSON_UNKNOWN: { status: 404, text: 'There is no such person here.' },
  EMAIL_TAKEN: { status: 409, text: 'Somebody here has the e-mail address {email} already.' },
  LAST_KEEPER: { status: 409, text: 'Somebody has to look after people here: make another keeper first.' },
  INVITATION_OVER: {
    status: 410,
    text: 'This invitation was used or is over. Ask whoever looks after people here for a new one.',
  },
  PASSWORD_WEAK: { status: 422, text: 'This password is too easy to guess: {what}.' },
  MAIL_OFF: {
    status: 409,
    text: 'No mail can be sent from here, so nobody can be sent a link. Whoever runs the server can set SMTP_URL, or make a link with “npm run invite”.',
  },
  MAIL_FAILED: {
    status: 502,
    text: 'The letter to {name} could not be sent. Everything else was done; have a new link sent when mail works again.',
  },
  SECOND_KEEPER_NEEDED: {
    status: 403,
    text: 'A second keeper has to agree: neither who asked nor whom it is about.',
  },
  REQUEST_GONE: { status: 404, text: 'This was done, declined or replaced meanwhile.' },
  CODE_WRONG: {
    status: 403,
    text: 'This code is not right, or was used already. Codes change every 30 seconds.',
  },
  PASSKEY_REFUSED: {
    status: 403,
    text: 'This passkey is not known here, or did not sign as asked. Try again.',
  },
  PASSKEY_UNKNOWN: { status: 404, text: 'There is no such passkey.' },
  PROOF_NEEDED: { status: 403, text: 'Prove once more that it is you; the last time was a while ago.' },
  SECOND_FACTOR_NEEDED: {
    status: 403,
    text: 'Your role needs a second way to prove who you are. Set up codes or a passkey first.',
  },
  PROVIDER_REFUSED: { status: 403, text: 'The lender’s sign-in did not let you in here: {what}.' },
  KEY_NOT_FOR: { status: 403, text: 'This key is not for the calculator “{calculator}”.' },
  PASSWORD_WRONG: { status: 403, text: 'The present password is another one.' },
  KEY_REFUSED: { status: 401, text: 'This key is unknown, was withdrawn, or is over.' },
  KEY_UNKNOWN: { status: 404, text: 'There is no such key.' },
  ARCHIVE_UNREADABLE: { status: 422, text: 'This archive cannot be brought back: in {where}, {what}.' },
  ARCHIVE_OUTDATED: {
    status: 409,
    text: 'What is here changed since the archive was read: “{what}”. Read it again, and choose anew.',
  },
  NOT_EMPTY: {
    status: 409,
    text: 'An archive is brought back into an empty installation only; here are {what} already.',
  },
  NOT_SENT_FOR_APPROVAL: { status: 409, text: 'The draft has to be sent for approval first.' },
  DATABASE_AWAY: {
    status: 503,
    text: 'The database cannot be reached at the moment. Nothing was changed; try again shortly.',
  },
  INTERNAL: { status: 500, text: 'Something went wrong on our side. It has been noted.' },
} as const satisfies Record<string, { status: number; text: string }>

export type ErrorCode = keyof typeof errorTable

/** A problem in a request, at one field of it. */
export const FieldProblem = z.strictObject({ code: z.string(), field: z.string(), sentence: z.string() })
export type FieldProblem = z.infer<typeof FieldProblem>

/** What the server answers when it refuses. Decide by `code`; `sentence` is for people. */
export const ErrorBody = z.object({
  code: z.string(),
  field: z.string().optional(),
  sentence: z.string(),
  requestId: z.string(),
  problems: z.array(FieldProblem).optional(),
  /** For REVISION_STALE: the draft as it stands now. */
  current: z.unknown().optional(),
})
export type ErrorBody = z.infer<typeof ErrorBody>

/** An error's sentence with its details filled in. */
export const errorSentence = (code: ErrorCode, details: Record<string, string> = {}): string =>
  errorTable[code].text.replace(/\{(\w+)\}/g, (place, name: string) => details[name] ?? place)
