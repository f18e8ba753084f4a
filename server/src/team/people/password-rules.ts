import { AppError } from '../../platform/http/app-error'
import type { Person } from '@vivid/contract'

const [LEAST, MOST] = [12, 256]
/** Of 0 to 4: one that takes fewer than 10^10 guesses is refused. */
const LEAST_SCORE = 4

/**
 * Refuses passwords that are guessed first, also with what is known of the person and the lender. Nothing is asked of
 * which characters they have (NIST SP 800-63B, 3.1.1.2).
 */
export async function refuseWeak(
  password: string,
  { name, email }: Pick<Person, 'name' | 'email'>,
  lender: string,
): Promise<void> {
  const weak = (what: string) => new AppError('PASSWORD_WEAK', { field: 'password', details: { what } })
  const length = [...password].length
  if (length < LEAST) throw weak(`it has fewer than ${LEAST} characters`)
  if (length > MOST) throw weak(`it has more than ${MOST} characters`)
  const known = [name, ...name.split(/\s+/), email, ...email.split(/[@.]/), lender, ...lender.split(/\s+/)]
  const meter = await meterOfGuesses()
  const { score, feedback } = meter.check(password, [
    ...known,
    'vivid meter',
    'vivid',
    'meter',
    'mortgage',
    'calculator',
  ])
  if (score >= LEAST_SCORE) return
  throw weak(
    feedback.warning?.replace(/\.$/, '') || 'it is guessed with few tries; a few unrelated words are better',
  )
}

/** The estimate of guesses, with its dictionaries: read once, when somebody first chooses a password. */
function meterOfGuesses() {
  meter ??= Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ]).then(
    ([{ ZxcvbnFactory }, common, english]) =>
      new ZxcvbnFactory({
        dictionary: { ...common.dictionary, ...english.dictionary },
        graphs: common.adjacencyGraphs,
        translations: english.translations,
      }),
  )
  return meter
}
let meter: Promise<InstanceType<typeof import('@zxcvbn-ts/core').ZxcvbnFactory>> | undefined
