// @ts-check
// Sends one request again and again from many connections, in a process of its own: what is measured elsewhere waits for nothing here.
// Its only argument is a file with { url, method, headers, body, connections, seconds }; `body` may be a list to take turns with.
import { readFileSync } from 'node:fs'

const asked = JSON.parse(readFileSync(process.argv[2] ?? '', 'utf8'))
const bodies = Array.isArray(asked.bodies) ? asked.bodies : [undefined]
const counts = { answered: 0, refused: 0, stopped: 0 }
const end = Date.now() + asked.seconds * 1000
let turn = 0
await Promise.all(
  Array.from({ length: asked.connections }, async () => {
    while (Date.now() < end) {
      const body = bodies[turn++ % bodies.length]
      const answer = await fetch(asked.url, { method: asked.method, headers: asked.headers, body }).catch(
        () => undefined,
      )
      await answer?.arrayBuffer().catch(() => undefined)
      const { status = 0 } = answer ?? {}
      counts[status === 429 ? 'refused' : status < 400 && status > 0 ? 'answered' : 'stopped']++
    }
  }),
)
console.log(JSON.stringify(counts))
