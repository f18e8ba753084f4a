import { contrastFaults, type ContrastFault, type StyleChoices } from '@vivid/contract'
import { ownWordsFaults, phraseFaultSaid } from '@vivid/contract/own-words'
import { AppError } from '../../platform/http/app-error'
import { safeLogo } from './safe-logo'

/** A style's choices as they are kept, whichever way they come in. Refused where visitors could not read the page, or its words. */
export async function keptChoices(choices: StyleChoices): Promise<StyleChoices> {
  const [fault] = contrastFaults(choices)
  if (fault)
    throw new AppError('STYLE_UNREADABLE', {
      field: `choices.${fault.side === 'dark' ? 'darkColours' : 'colours'}.${fault.of}`,
      details: { what: faultSaid(fault) },
    })
  const [unfit] = await ownWordsFaults(choices.words ?? {})
  if (unfit)
    throw new AppError('WORDS_UNFIT', {
      field: `choices.words.${unfit.language}.${unfit.phrase}`,
      details: { language: unfit.language, what: phraseFaultSaid(unfit) },
    })
  return { ...choices, ...(choices.logo && { logo: safeLogo(choices.logo) }) }
}

const faultSaid = ({ of, on, ratio, least }: ContrastFault) =>
  `${of} on ${on} has a contrast of ${ratio.toFixed(2)} to 1, and ${least} to 1 is needed`
