import { spawn } from 'node:child_process'
import { availableParallelism } from 'node:os'
import { expect, inject, onTestFinished, test } from 'vitest'
import { copiedDatabase, serverProcess } from '../../scripts/lib/scratch-server.mjs'
import { eventually } from './support/application'

test('while other programs keep the machine busy, pages are drawn and figures worked out', async () => {
  const programs = Array.from({ length: 2 * availableParallelism() }, () =>
    spawn(process.execPath, ['-e', 'for (;;);']),
  )
  onTestFinished(() => programs.forEach((program) => program.kill('SIGKILL')))
  const server = await serverProcess(await copiedDatabase(inject('demo').url))
  onTestFinished(() => server.kill())

  const page = `${server.address}/c/floating-home-mortgage?lang=fr-CA`
  await eventually(
    async () => (await (await fetch(page)).text()).includes('907,59'),
    () => 'the page is sent without being drawn',
  )
  const figures = await fetch(`${server.address}/api/public/calculators/floating-home-mortgage/evaluate`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ answers: {} }),
  })
  expect(figures.status).toBe(200)
  expect(programs.every((program) => program.exitCode === null)).toBe(true)
})
