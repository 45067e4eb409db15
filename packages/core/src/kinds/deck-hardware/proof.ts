/** Load once, before the first lift, over the design load, and for how long: estimates; codes win. */
export const PROOF_FACTOR = 1.25
export const PROOF_MINUTES = 3
