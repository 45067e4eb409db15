/**
 * Potential in flowing sea water against silver/silver chloride, mV (chapter 7.1): middle of the published
 * range.
 */
export const POTENTIALS: Record<string, { title: string; mV: number; activeMV?: number }> = {
  magnesium: { title: 'magnesium', mV: -1600 },
  'aluminium-anode': { title: 'aluminium anode alloy', mV: -1100 },
  zinc: { title: 'zinc', mV: -1030 },
  'al-5083': { title: 'aluminium 5083', mV: -850 },
  'al-6061': { title: 'aluminium 6061', mV: -750 },
  'mild-steel': { title: 'mild steel', mV: -610 },
  'cast-iron': { title: 'cast iron', mV: -610 },
  'ss-304': { title: 'stainless 304', mV: -80, activeMV: -500 },
  'ss-316': { title: 'stainless 316', mV: -50, activeMV: -450 },
  brass: { title: 'brass', mV: -350 },
  copper: { title: 'copper', mV: -330 },
  dzr: { title: 'DZR brass CW602N', mV: -320 },
  'silicon-bronze': { title: 'silicon bronze', mV: -270 },
  'tin-bronze': { title: 'tin bronze', mV: -270 },
  'cuni-90-10': { title: 'copper-nickel 90-10', mV: -250 },
  'nickel-copper-400': { title: 'nickel-copper 400', mV: -90 },
  'duplex-2205': { title: 'duplex 2205', mV: -30 },
  titanium: { title: 'titanium', mV: 0 },
  carbon: { title: 'carbon fibre or graphite', mV: 250 },
}
export const METAL_IDS = Object.keys(POTENTIALS) as [string, ...string[]]
export const COPPER_ALLOYS = ['brass', 'copper', 'dzr', 'silicon-bronze', 'tin-bronze', 'cuni-90-10']
export const POTENTIALS_SOURCE = 'chapter 7.1, middle of the published range'
