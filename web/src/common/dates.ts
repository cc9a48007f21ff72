/** "January 5, 2027" of an ISO day. */
export function longDate(iso: string): string {
  return new Date(`${iso}T12:00:00`).toLocaleDateString('en-US', { day: 'numeric', month: 'long', year: 'numeric' })
}

/** "Jan 5" of an ISO day. */
export function shortDate(iso: string): string {
  return new Date(`${iso}T12:00:00`).toLocaleDateString('en-US', { day: 'numeric', month: 'short' })
}

/** "12 days left", "today", "3 days past". */
export function daysWords(days: number | null | undefined): string {
  if (days === null || days === undefined) return 'no date set'
  if (days === 0) return 'today'
  const n = Math.abs(days)
  return `${n} ${n === 1 ? 'day' : 'days'} ${days > 0 ? 'left' : 'past'}`
}

/** The ISO day so many days from today, in local time. */
export function dayFromNow(days: number, now = new Date()): string {
  const d = new Date(now.getFullYear(), now.getMonth(), now.getDate() + days)
  return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`
}
