const AGAIN_AFTER_MS = 1_500
const MOST_TRIES = 40

/**
 * Fetches a part of the page, again and again for a minute: without a connection it comes when that is back. Throws
 * where it still does not come.
 */
export async function fetchAgain<Part>(fetchPart: () => Promise<Part>): Promise<Part> {
  for (let tries = 1; ; tries++) {
    try {
      return await fetchPart()
    } catch (error) {
      if (tries === MOST_TRIES) throw error
      await new Promise((again) => setTimeout(again, AGAIN_AFTER_MS))
    }
  }
}
