const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** A day as the whole product writes it, 4 Dec 2026; of a date or a time in ISO 8601, by its own date. */
export function daySaid(iso: string): string {
  const [y, m, d] = iso.slice(0, 10).split('-').map(Number)
  const month = MONTHS[(m ?? 0) - 1]
  return month && y && d ? `${d} ${month} ${y}` : iso
}
/** The day so many whole days later, as a date in ISO 8601. */
export const dayAfter = (iso: string, days: number): string =>
  new Date(Date.parse(`${iso.slice(0, 10)}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
