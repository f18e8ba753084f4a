import { createSSRApp } from 'vue'
import { renderToString } from 'vue/server-renderer'
import type { DrawnPage, ServedCalculator } from '@vivid/contract/visitor'
import CalculatorPage from './CalculatorPage.vue'
import { withoutStyleAttributes } from './frame/style-rules'
import { fetchFor, liveSourceOf } from './model/source-of'

/**
 * A live calculator's page as it begins, drawn by the server with the page's own components, so that it is read before a
 * script has come. Scripts take over what stands there.
 */
export async function drawPage(
  served: ServedCalculator,
  language: string,
  isAlone: boolean,
): Promise<DrawnPage> {
  const fetched = await fetchFor(served.content, language)
  const source = liveSourceOf(served, language, fetched, isAlone)
  return withoutStyleAttributes(await renderToString(createSSRApp(CalculatorPage, { source })))
}
