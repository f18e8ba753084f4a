import { mkdirSync, rmdirSync } from 'node:fs'
import { join } from 'node:path'

/** What a file of browser tests needs for itself: a browser, by its address, and the ports of desk and lender. */
export interface Seat {
  readonly browser: string
  readonly ports: readonly [desk: number, lender: number]
}
export interface TakenSeat extends Seat {
  leave(): void
}

/**
 * Takes a seat that no other file has at the moment; refuses where there is none. Files take theirs in processes of their
 * own, whose numbers may be the same: a folder in `home`, which only one of them can make, says that a seat is taken.
 */
export function takeSeat(seats: readonly Seat[], home: string): TakenSeat {
  for (const seat of seats) {
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
