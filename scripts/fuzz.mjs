// @ts-check
// `npm run fuzz [minutes] [what a file's path has in it]`: the tests with random cases, with other cases each time, until the
// minutes are over or something fails. What failed comes again with the seed that is named: `FUZZ_SEED=… npx vitest run …`.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { PlainFailure, runMain } from './lib/plain-failure.mjs'
import { root } from './lib/project.mjs'
import { runCommand } from './lib/run-command.mjs'

const rooms = ['core', 'contract', 'worksheet', 'server', 'desk', 'visitor']

await runMain(async () => {
  const [minutes = '10', part = ''] = process.argv.slice(2)
  if (!/^\d{1,4}$/.test(minutes))
    throw new PlainFailure(`"${minutes}" is no number of minutes: npm run fuzz 10 ${part || minutes}`)
  const files = rooms
    .flatMap((room) =>
      readdirSync(join(root, room, 'src'), { recursive: true }).map((file) => `${room}/src/${file}`),
    )
    .filter((file) => file.endsWith('.test.ts') && file.includes(part))
    .filter((file) => readFileSync(join(root, file), 'utf8').includes('fast-check'))
  if (files.length === 0) throw new PlainFailure(`No test with random cases has "${part}" in its path.`)

  const until = Date.now() + Number(minutes) * 60_000
  do {
    const seed = Math.floor(Math.random() * 2 ** 31)
    const { code, output } = await runCommand(join(root, 'node_modules/.bin/vitest'), ['run', ...files], {
      cwd: root,
      env: { ...process.env, FUZZ_SEED: String(seed) },
    })
    if (code !== 0) throw new PlainFailure(`${output}\nFUZZ_SEED=${seed} fails`)
    console.log(`${files.length} files hold with FUZZ_SEED=${seed}`)
  } while (Date.now() < until)
})
