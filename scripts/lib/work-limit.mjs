// @ts-check

const LOOKS_EVERY_MS = 100

/**
 * Looks at what this process takes from now on, and tells when it is too much: of the processor, or of the clock where it
 * waits for something. Milliseconds. On a machine that others keep busy the clock alone would stop honest work.
 * @param {{ mostCpuMs: number, mostMs: number }} most
 * @param {() => void} tooMuch told once
 * @returns {() => void} ends the looking
 */
export function limitWork({ mostCpuMs, mostMs }, tooMuch) {
  const [cpuAtFirst, began] = [process.cpuUsage(), Date.now()]
  const looking = setInterval(() => {
    const { user, system } = process.cpuUsage(cpuAtFirst)
    if ((user + system) / 1_000 <= mostCpuMs && Date.now() - began <= mostMs) return
    clearInterval(looking)
    tooMuch()
  }, LOOKS_EVERY_MS)
  return () => clearInterval(looking)
}
