/** Text that a spreadsheet would run as a formula is marked as text; numbers stay numbers. */
export const safeCell = <T>(v: T): T | string => (typeof v === 'string' && /^[=+\-@\t]/.test(v) ? `'${v}` : v)
