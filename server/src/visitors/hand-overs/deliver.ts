import type { Logger } from 'pino'
import { inBackground, type Background } from '../../platform/background'
import type { HandOversStore } from './hand-overs-store'

/** Where hand-overs go: an address that takes JSON by POST, and the secret it knows us by, if any. */
export interface Receiver {
  readonly url: () => string | undefined
  readonly secret: string | undefined
  /** For how many days it is known that one was delivered. */
  readonly keepDays: number
}

/** How long one delivery may take; a claim lasts longer, so that nobody else tries meanwhile. */
const TIMEOUT_MS = 10_000
const CLAIM_SECONDS = 30
const LOOK_EVERY_MS = 2_000
const FIRST_WAIT_MS = 5_000
const LONGEST_WAIT_MS = 15 * 60_000

/** How long to wait after so many failed attempts: twice as long each time, up to a quarter of an hour. */
export const waitAfter = (attempts: number): number =>
  Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.min(attempts - 1, 20))

/**
 * Delivers what waits in the outbox, one after the other, for as long as the server runs. A receiver that is down is
 * tried again later, and later still; nothing is given up. It may get one twice if we die at the wrong moment: the
 * header `idempotency-key` tells it so. What is logged is never what is in it.
 */
export function startDelivering(store: HandOversStore, receiver: Receiver, log: Logger): Background {
  return inBackground(deliverAll, LOOK_EVERY_MS, (err) =>
    log.warn({ err }, 'the outbox could not be looked at'),
  )

  async function deliverAll(isStopped: () => boolean): Promise<void> {
    await store.forgetDelivered(receiver.keepDays)
    const url = receiver.url()
    while (url !== undefined && !isStopped()) {
      const claimed = await store.claim(CLAIM_SECONDS)
      if (!claimed) return
      const failure = await send(url, claimed.id, claimed.body)
      if (failure === undefined) {
        await store.delivered(claimed.id)
        log.info({ handOver: claimed.id, attempts: claimed.attempts }, 'a hand-over was delivered')
      } else {
        const wait = waitAfter(claimed.attempts)
        await store.failed(claimed.id, failure, new Date(Date.now() + wait))
        log.warn({ handOver: claimed.id, attempts: claimed.attempts, failure, wait }, 'a hand-over waits')
      }
    }
  }

  /** Sends one; what kept it from arriving, if anything did. */
  async function send(url: string, id: string, body: object): Promise<string | undefined> {
    try {
      const response = await fetch(url, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          'idempotency-key': id,
          ...(receiver.secret && { authorization: `Bearer ${receiver.secret}` }),
        },
        body: JSON.stringify(body),
        redirect: 'error',
        signal: AbortSignal.timeout(TIMEOUT_MS),
      })
      await response.body?.cancel()
      return response.ok ? undefined : `answered ${response.status}`
    } catch (error) {
      return error instanceof Error ? error.name : 'not reached'
    }
  }
}
