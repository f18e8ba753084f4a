import express, { Router } from 'express'
import { z } from 'zod'
import { htmlText } from '@vivid/contract/formats'
import { lenderPage } from './lender-page'

const Received = z.object({
  title: z.string(),
  name: z.string(),
  reach: z.string(),
  message: z.string(),
  on: z.string(),
  answers: z.array(z.object({ question: z.string(), answer: z.string() })),
  figures: z.array(z.object({ label: z.string(), figure: z.string(), sentence: z.string() })),
})

/**
 * A stand-in for the lender's own system that takes what visitors hand over: `POST /hand-overs` takes one, and
 * `GET /hand-overs` shows what has come. It keeps them in memory only, each once, whatever is sent twice.
 */
export function handOverReceiver(): Router {
  const received = new Map<string, z.infer<typeof Received>>()
  const router = Router()
  router.post('/hand-overs', express.json({ limit: '200kb' }), (req, res) => {
    const key = req.get('idempotency-key')
    const body = Received.safeParse(req.body)
    if (!key || !body.success) return void res.status(400).json({ error: 'not a hand-over' })
    const isNew = !received.has(key)
    received.set(key, body.data)
    res.status(isNew ? 201 : 200).json({ received: true })
  })
  router.get('/hand-overs', (_req, res) => {
    res.type('html').send(page([...received.values()].reverse()))
  })
  return router
}

const page = (all: readonly z.infer<typeof Received>[]) =>
  lenderPage(
    'People to call',
    'People to call',
    `<h1>${all.length === 0 ? 'Nobody is waiting' : `${all.length} ${all.length === 1 ? 'person wants' : 'people want'} to be called`}</h1>
    <p>This stands in for the lender’s own system. What visitors hand over arrives here and is forgotten when it stops.</p>
    ${all.map(one).join('\n')}`,
  )

const one = ({ name, reach, message, title, on, answers, figures }: z.infer<typeof Received>) => `
<article>
  <h2>${htmlText(name)}, ${htmlText(reach)}</h2>
  <p>${htmlText(title)}, ${htmlText(on)}${message ? `: “${htmlText(message)}”` : ''}</p>
  <ul>${figures.map(({ label, figure, sentence }) => `<li>${htmlText(label)} <strong>${htmlText(figure)}</strong> ${htmlText(sentence)}</li>`).join('')}</ul>
  <p class="after">${answers.map(({ question, answer }) => `${htmlText(question)}: ${htmlText(answer)}`).join(' · ')}</p>
</article>`
