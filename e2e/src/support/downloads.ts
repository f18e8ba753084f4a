import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { eventually } from './application'

/** What a page saves lands in this folder; the path of the file that an act saves. */
export async function downloadsInto(
  page: Page,
  folder: string,
): Promise<(what: string, act: () => Promise<void>) => Promise<string>> {
  const session = await page.createCDPSession()
  // The browser's own profile has no id.
  const { id } = page.browserContext() as { id?: string }
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allowAndName',
    downloadPath: folder,
    eventsEnabled: true,
    ...(id === undefined ? {} : { browserContextId: id }),
  })
  return async (what, act) => {
    const before = new Set(readdirSync(folder))
    await act()
    const fresh = () =>
      readdirSync(folder).filter((name) => !before.has(name) && !name.endsWith('.crdownload'))
    const path = () => join(folder, fresh()[0] ?? '')
    await eventually(
      async () => fresh().length === 1 && statSync(path()).size > 0,
      () => `${what}: nothing was saved`,
    )
    return path()
  }
}
