/**
 * Cautions by the ids of chapter 12, shown where they apply; `water-at-skins` belongs to a school of
 * chapter 3.
 */
export interface Caution {
  id: string
  tags: string[]
  text: string
}
export const CAUTIONS: Caution[] = [
  {
    id: 'general',
    tags: ['always'],
    text: 'A fitter\u2019s working aid. Structure, rig, lifting, gas and anything below the waterline: local codes, class and flag rules and the insurer\u2019s terms come first, and a licensed surveyor, naval architect or shipwright decides where they require it. The maker\u2019s instructions win over a general table.',
  },
  {
    id: 'drilling',
    tags: ['drill'],
    text: 'Know what is behind before drilling: wires, tanks, gas, people. Isolate the batteries; eye and ear protection; step bits and hole saws grab.',
  },
  {
    id: 'dust',
    tags: ['drill', 'grind'],
    text: 'Dust from glass, epoxy, antifouling and hardwood: extraction and a fitted half-mask (P3; organic vapour cartridges with solvents and resins). Cover the skin; old antifouling is wet-sanded and collected.',
  },
  {
    id: 'resins',
    tags: ['resin'],
    text: 'Resins, hardeners, isocyanates, methacrylates: nitrile gloves, changed often; ventilation; no alcohol on skin as a cleaner. Sensitisation is for life. Hot pots go outside; rags with solvent or oil are spread flat to dry.',
  },
  {
    id: 'solvents',
    tags: ['solvent'],
    text: 'Solvents: no flame or open heater near, forced air. Never an open-flame heater in a closed boat: fire and carbon monoxide.',
  },
  {
    id: 'under-the-waterline',
    tags: ['below'],
    text: 'Under the waterline: never afloat unless it is planned as such, with plugs ready. Two clips a hose; valves shut when leaving. After launch look at every new fitting at once, after 10 minutes, an hour, a day, a week; bilge pump proven first.',
  },
  {
    id: 'aloft-and-rig',
    tags: ['rig'],
    text: 'Aloft and rig: never load a suspect chainplate; support the mast before a shroud comes off.',
  },
  {
    id: 'lifting-eyes',
    tags: ['lifting'],
    text: 'Lifting eyes: nobody under the load; first lift a hand\u2019s breadth and wait; proof by a competent person where the code asks.',
  },
  {
    id: 'shore-power',
    tags: ['bonding'],
    text: 'Galvanic and bonding work on shore power: isolate, and an electrician for anything mains.',
  },
  {
    id: 'working-alone',
    tags: ['locker'],
    text: 'Working alone in lockers and bilges: someone knows, air is moving, the way out is clear.',
  },
  {
    id: 'hole-ashore',
    tags: ['below'],
    text: 'A hole in the hull ashore: nobody launches while it is open. It is on the board by the ladder and in the register as open.',
  },
  {
    id: 'water-at-skins',
    tags: ['seal-wall'],
    text: 'A sealed wall keeps the foam dry, but water that reaches the skins still parts the bond: look at it every year.',
  },
]
export const cautionsFor = (tags: string[]) =>
  CAUTIONS.filter((c) => c.tags.some((t) => t === 'always' || tags.includes(t)))
