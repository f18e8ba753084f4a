// @ts-check
import { existsSync, statfsSync } from 'node:fs'
import { dirname } from 'node:path'
import { PlainFailure } from './plain-failure.mjs'

const MEGABYTE = 1024 * 1024

/**
 * Fails where a folder's disk has less free space than a step needs.
 * @param {string} folder @param {number} megabytes @param {string} purpose
 */
export function needSpace(folder, megabytes, purpose) {
  let place = folder
  while (!existsSync(place) && dirname(place) !== place) place = dirname(place)
  const { bavail, bsize } = statfsSync(place)
  const free = Math.floor((bavail * bsize) / MEGABYTE)
  if (free >= megabytes) return
  throw new PlainFailure(
    `The disk that holds ${folder} is full: ${free} MB are free and ${purpose} needs ${megabytes} MB. Free some space and start again.`,
  )
}
