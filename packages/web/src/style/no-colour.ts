/**
 * Stands for the colour arithmetic that the buttons bring along for a colour of their own. Ours have none:
 * every colour is in the theme file, and ten kilobytes of every first visit are saved.
 */
export class TinyColor {
  constructor() {
    throw new Error('A button takes its colours from the theme, not from a colour of its own')
  }
}
