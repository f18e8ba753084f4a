import type { AddressInfo } from 'node:net'
import express, { Router } from 'express'
import { simpleParser } from 'mailparser'
import { SMTPServer } from 'smtp-server'
import { htmlText } from '@vivid/contract/formats'
import { lenderPage } from './lender-page'

interface Received {
  readonly to: string
  readonly subject: string
  readonly text: string
}

export interface MailBox {
  /** Where mail is sent to. */
  readonly smtpUrl: string
  /** `/mail`: what has come, newest first. */
  readonly page: Router
  close(): Promise<void>
}

/** A stand-in for the lender's mail server: takes letters on this machine, keeps them in memory and shows them to anybody. */
export async function startMailBox(): Promise<MailBox> {
  const received: Received[] = []
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    onData(stream, _session, done) {
      simpleParser(stream).then(({ to, subject = '', text = '' }) => {
        const all = Array.isArray(to) ? to : to ? [to] : []
        received.unshift({ to: all.map((one) => one.text).join(', '), subject, text })
        received.length = Math.min(received.length, 200)
        done()
      }, done)
    },
  })
  server.on('error', () => undefined)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.server.address() as AddressInfo
  const page = express.Router()
  page.get('/mail', (_req, res) => void res.type('html').send(pageOf(received)))
  return {
    smtpUrl: `smtp://127.0.0.1:${port}`,
    page,
    close: () => new Promise((resolve) => server.close(() => resolve())),
  }
}

const withLinks = (text: string) =>
  htmlText(text).replace(/https?:\/\/[^\s<&]+/g, (link) => `<a href="${link}">${link}</a>`)

const pageOf = (all: readonly Received[]) =>
  lenderPage(
    'Mail',
    'Mail',
    `<h1>${all.length === 0 ? 'No mail yet' : `${all.length} ${all.length === 1 ? 'letter' : 'letters'}`}</h1>
    <p>This stands in for the lender’s mail server. What the desk sends arrives here and is forgotten when it stops.</p>
    ${all.map(({ to, subject, text }) => `<article><h2>${htmlText(subject)}</h2><p>to ${htmlText(to)}</p><pre>${withLinks(text)}</pre></article>`).join('\n')}`,
  )
