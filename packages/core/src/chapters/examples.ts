import inputs from './examples.json'

/** A worked input for every calculator, to begin from. */
export const EXAMPLES = inputs as unknown as Record<string, Record<string, unknown>>
