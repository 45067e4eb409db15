// eslint-disable-next-line no-control-regex -- they are what is looked for
const CONTROL = /[\u0000-\u001f\u007f-\u009f\u2028\u2029]/g
// eslint-disable-next-line no-control-regex -- all of them but tab and line ends
const CONTROL_IN_TEXT = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/g

/**
 * Words as they stand on one line of a file: a control character in a name would begin a group of a drawing,
 * a line of a calendar, or no XML at all. Each becomes a space.
 */
export const printable = (s: string): string => s.replace(CONTROL, ' ')
/** The same for a text of several lines. */
export const printableText = (s: string): string => s.replace(CONTROL_IN_TEXT, ' ')
