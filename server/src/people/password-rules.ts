import type { Person } from '@vivid/contract'
import { AppError } from '../http/app-error'

const LEAST = 12

/** Words that open most doors; a password made of one of them with digits around it is none. */
const common = [
  'password',
  'passwort',
  'motdepasse',
  'letmein',
  'qwerty',
  'welcome',
  'iloveyou',
  'calculator',
  'mortgage',
  'vividmeter',
]

/**
 * Refuses passwords that are guessed first: short ones, ones made of the person's own name or address, common ones, and
 * ones of hardly any different characters. Nothing is asked of which characters they have (NIST SP 800-63B, 5.1.1.2).
 */
export function refuseWeak(password: string, { name, email }: Pick<Person, 'name' | 'email'>): void {
  const weak = (what: string) => new AppError('PASSWORD_WEAK', { field: 'password', details: { what } })
  if ([...password].length < LEAST) throw weak(`it has fewer than ${LEAST} characters`)
  const plain = password.toLowerCase().replace(/[^\p{L}]/gu, '')
  if (new Set(password).size < 5) throw weak('it has hardly any different characters')
  if (common.some((word) => plain === word || plain === word + word))
    throw weak('it is one of the common ones')
  const own = [...name.toLowerCase().split(/\s+/), email.toLowerCase().split('@')[0] ?? '']
  if (
    own.some(
      (part) =>
        part.length > 3 && plain.includes(part.replace(/[^\p{L}]/gu, '')) && plain.length < part.length + 6,
    )
  )
    throw weak('it is made of the person’s own name')
}
