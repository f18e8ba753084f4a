// @ts-check
import { randomInt } from 'node:crypto'
import { createServer } from 'node:net'

/** Ports for what listens: those above, from 32,768 on, the system lends to connections, also while a server of ours is down. */
const PORTS = { from: 15_432, to: 32_767 }

/**
 * A port nobody uses at the moment: this one, if it is free and for servers, else another.
 * @param {number} [wanted] @returns {Promise<number>}
 */
export async function freePort(wanted = 0) {
  if (wanted >= PORTS.from && wanted <= PORTS.to && (await isFree(wanted))) return wanted
  for (;;) {
    const port = randomInt(PORTS.from, PORTS.to + 1)
    if (await isFree(port)) return port
  }
}

/** @param {number} port @returns {Promise<boolean>} */
const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })
