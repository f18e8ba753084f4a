/** "3 Nov 2026, 09:00"; the time only where a version has one. */
export function startSaid(start: string): string {
  const [day = '', time = '00:00'] = start.split('T')
  const said = new Intl.DateTimeFormat('en-CA', { dateStyle: 'medium', timeZone: 'UTC' }).format(
    new Date(`${day}T00:00:00Z`),
  )
  return time === '00:00' ? said : `${said}, ${time}`
}
