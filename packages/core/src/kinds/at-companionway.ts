/** What stands of a through-hull on the sheet by the companionway. */
export interface AtCompanionway {
  /** what it serves */
  serves: string
  /** how its handle shuts; null where there is nothing to shut */
  shuts: string | null
  /** what would stand open if it let go, and the plug for it */
  boreMm: number
}
