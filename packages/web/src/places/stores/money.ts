/** A sum as the yard writes it: its own sign before, two places after. */
export const money = (cents: number, currency: string): string =>
  `${currency}\u00a0${(cents / 100).toLocaleString('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`
