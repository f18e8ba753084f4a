import { english } from './english'
import { french } from './french'
import type { Words } from './words'

export type { Words } from './words'
export const wordsFor = (language: string): Words => (language.startsWith('fr') ? french : english)
