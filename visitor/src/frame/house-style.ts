import { propertiesOf, type HouseStyle } from '@vivid/contract/visitor'

const root = document.documentElement
const prefersDark = matchMedia('(prefers-color-scheme: dark)')
let own: HouseStyle = {}

/** A draft's looks; their dark side where the browser's owner prefers that. A live page brings its looks with it. */
export function applyStyle(style: HouseStyle): void {
  own = style
  put(style)
  if (prefersDark.matches) void import('@vivid/contract/dark-side').then(({ darkSide }) => put(darkSide(own)))
}
prefersDark.addEventListener('change', () => applyStyle(own))

function put(style: HouseStyle): void {
  root.style.removeProperty('--scheme')
  for (const [name, value] of propertiesOf(style)) root.style.setProperty(name, value)
}
