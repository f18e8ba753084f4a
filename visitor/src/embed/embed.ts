import { placeCalculator } from './place-calculator'

const script = document.currentScript
if (script instanceof HTMLScriptElement) placeCalculator(script)
