import { plainLine } from '@vivid/contract/formats'
import type { Letter } from './mailer'

interface To {
  readonly name: string
  readonly email: string
}

const days = (until: Date) => until.toLocaleDateString('en-CA', { dateStyle: 'long' })

/** The way in for somebody who was invited, or lost their password: to themselves, and nobody else. */
export const wayIn = (
  { name, email }: To,
  {
    link,
    until,
    lender,
    isNew,
  }: { readonly link: string; readonly until: Date; readonly lender: string; readonly isNew: boolean },
): Letter => ({
  to: { name, address: email },
  subject: isNew
    ? `Come in to the calculators of ${lender}`
    : `A new password for the calculators of ${lender}`,
  text: `Hello ${plainLine(name)},

${isNew ? `you are invited to the desk where ${plainLine(lender)} sets up its calculators.` : 'somebody who looks after people at the desk was asked for a new password for you.'}

Choose ${isNew ? 'a' : 'another'} password here:

  ${link}

The link holds until ${days(until)} and works once. ${isNew ? '' : 'Until you use it, your present password stays as it is. '}Nobody else was shown it. If you did not expect this, do not use it, and tell whoever looks after people at the desk.
`,
})

/** Something about the way a person comes in changed: told to themselves, whoever did it. */
export const doorChanged = ({ name, email }: To, what: string, lender: string): Letter => ({
  to: { name, address: email },
  subject: `Your way in to the calculators of ${lender}`,
  text: `Hello ${plainLine(name)},

${what}

If this was not you, tell whoever looks after people at the desk at once.
`,
})
