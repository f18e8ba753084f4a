// @ts-check
// A route of Express that sends given bytes and does nothing else: what the server's own reads are held against.
import { readFileSync } from 'node:fs'
import express from 'express'

const body = readFileSync(process.argv[2] ?? '', 'utf8')
const server = express()
  .get('/', (_req, res) => void res.type('json').send(body))
  .listen(0, '127.0.0.1', () => {
    const address = server.address()
    console.log(typeof address === 'object' ? address?.port : '')
  })
