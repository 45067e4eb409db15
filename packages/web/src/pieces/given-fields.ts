export interface Option {
  value: string
  title: string
}
/** A field of a fitting as it is asked on its bench: where it stands in the design, and how it is read. */
export interface GivenField {
  path: string
  label: string
  kind?: 'length' | 'force' | 'angle' | 'number' | 'temperature'
  unit?: string
  least?: number
  above?: boolean
  most?: number
  optional?: boolean
  placeholder?: string
  choices?: Option[]
  tick?: true
  /** words are asked for; an example of them */
  words?: string
}
export interface GivenGroup {
  title: string
  /** a part that there may or may not be: where it stands, and what it begins as */
  part?: { path: string; there: boolean; start: unknown; add: string; remove: string }
  fields: GivenField[]
  /** lists that are wrong as a whole say so under the group's fields */
  lists?: string[]
  /** what changes a list: one more of it, or one less */
  acts?: { label: string; path: string; value: unknown }[]
}
