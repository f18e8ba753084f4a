import { createHash, timingSafeEqual } from 'node:crypto'
import type { RequestHandler } from 'express'
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client'
import type { Live } from './live/live'

export interface Metrics {
  /** Times each request by its address in the table of access, never by what is in it. */
  readonly timing: RequestHandler
  /** `/metrics` in the Prometheus text format, for whoever knows the token, or, where there is none and no proxy, for this machine. */
  readonly page: (token: string | undefined, isBehindProxy: boolean) => RequestHandler
}

const FORWARDED = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip', 'via'] as const

/** Compares in a time that says nothing about where two texts differ. */
const isSame = (given: string | undefined, expected: string): boolean => {
  const [a, b] = [given ?? '', expected].map((text) => createHash('sha256').update(text).digest())
  return a !== undefined && b !== undefined && timingSafeEqual(a, b)
}

/** What a keeper of servers watches: requests and how long they take, the process, and what is served from memory. */
export function createMetrics(live: Live, waiting: () => Promise<number>): Metrics {
  const registry = new Registry()
  collectDefaultMetrics({ register: registry })
  const requests = new Histogram({
    name: 'vivid_http_request_seconds',
    help: 'Requests by address, method and status',
    labelNames: ['address', 'method', 'status'],
    buckets: [0.005, 0.02, 0.05, 0.1, 0.3, 1, 3],
    registers: [registry],
  })
  new Gauge({
    name: 'vivid_live_calculators',
    help: 'Calculators visitors can use',
    registers: [registry],
    collect() {
      this.set(live.all().length)
    },
  })
  new Gauge({
    name: 'vivid_database_connected',
    help: '1 while changes in the database are heard of',
    registers: [registry],
    collect() {
      this.set(live.isConnected ? 1 : 0)
    },
  })
  new Gauge({
    name: 'vivid_live_seconds_behind',
    help: 'For how long what visitors are served may differ from the database; 0 while it does not',
    registers: [registry],
    collect() {
      this.set(live.secondsBehind)
    },
  })
  new Gauge({
    name: 'vivid_hand_overs_waiting',
    help: 'Hand-overs not delivered yet; -1 while the database is away',
    registers: [registry],
    async collect() {
      this.set(await waiting().catch(() => -1))
    },
  })

  return {
    timing: (req, res, next) => {
      const end = requests.startTimer()
      res.once('finish', () =>
        end({ address: res.locals.address ?? 'none', method: req.method, status: res.statusCode }),
      )
      next()
    },
    page: (token, isBehindProxy) => async (req, res) => {
      // What a proxy passes on comes from this machine too, whoever asked.
      const isForwarded = isBehindProxy || FORWARDED.some((name) => req.headers[name] !== undefined)
      const isLocal = !isForwarded && /^(::1|(::ffff:)?127\.)/.test(req.socket.remoteAddress ?? '')
      const isAllowed = token === undefined ? isLocal : isSame(req.headers.authorization, `Bearer ${token}`)
      if (!isAllowed) return void res.status(403).type('text').send('Not for you.\n')
      res.type(registry.contentType).send(await registry.metrics())
    },
  }
}
