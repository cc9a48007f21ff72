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

const dayMs = 86_400_000
let ahead = 0

/** Tells the page which day it is at the server: the browser may be in another zone, or its clock off by days. */
export function setToday(iso: string, now = new Date()): void {
  const own = Date.UTC(now.getFullYear(), now.getMonth(), now.getDate())
  ahead = Math.round((Date.parse(`${iso}T00:00:00Z`) - own) / dayMs)
}

/** The ISO day so many days from the server's today. */
export function dayFromNow(days: number, now = new Date()): string {
  const day = Date.UTC(now.getFullYear(), now.getMonth(), now.getDate() + ahead + days)
  return new Date(day).toISOString().slice(0, 10)
}
