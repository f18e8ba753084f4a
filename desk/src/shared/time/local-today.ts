/** Now on this computer's clock, to the minute: "2026-11-25T09:41". */
export function localNow(): string {
  const now = new Date()
  const two = (n: number) => String(n).padStart(2, '0')
  const day = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
  return `${day}T${two(now.getHours())}:${two(now.getMinutes())}`
}

/** Today on this computer's calendar, as an ISO date. */
export const localToday = (): string => localNow().slice(0, 10)
