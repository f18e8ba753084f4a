import { mkdirSync, rmdirSync } from 'node:fs'
import { join } from 'node:path'
import { inject } from 'vitest'

/**
 * Takes a browser and two ports that no other file uses at the moment. Files take theirs in processes of their own, whose
 * numbers may be the same: a folder, which only one of them can make, says that a seat is taken.
 */
export function takeSeat() {
  const { home } = inject('demo')
  for (const seat of inject('seats')) {
    const taken = join(home, `seat-${seat.ports[0]}`)
    if (isMade(taken)) return { ...seat, leave: () => rmdirSync(taken) }
  }
  throw new Error('there is no browser for this file')
}

function isMade(folder: string): boolean {
  try {
    mkdirSync(folder)
    return true
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false
    throw error
  }
}
