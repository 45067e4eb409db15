/** Where good fitters disagree: each school by its reason, as data. */
export interface School {
  id: string
  question: string
  choice: string
  reason: string
  costs: string
  notWhen: string
  usual?: boolean
}

export const SCHOOLS: School[] = [
  { id: 'bore-fill', question: 'Keeping water out of the core', choice: 'Bore over, fill, redrill', reason: 'A solid plug of epoxy stands round every bolt: it keeps water out and carries the clamp load.', costs: 'A hole saw, a cure, a second drilling.', notWhen: 'Where there is no core.', usual: true },
  { id: 'reef', question: 'Keeping water out of the core', choice: 'Hook the core back', reason: 'The outer skin stays whole but for the bolt hole; the plug spreads between the skins.', costs: 'Slow in plywood; the depth all round is hard to see.', notWhen: 'Where the hook cannot reach all round.' },
  { id: 'insert', question: 'Keeping water out of the core', choice: 'Insert under the whole base', reason: 'The load stands on something solid over its whole footprint; best for levers and heavy pulls.', costs: 'The outer skin is cut and laid again; a day more.', notWhen: 'For light fittings: much work for little.' },
  { id: 'seal-wall', question: 'Keeping water out of the core', choice: 'Seal the wall', reason: 'A closed-cell foam cannot rot; for a light load a sealed wall is enough.', costs: 'Little.', notWhen: 'Balsa or plywood, a real load, or where the core would be crushed. Water at the skins still parts the bond.' },
  { id: 'none', question: 'Keeping water out of the core', choice: 'Drill and bed only', reason: 'Solid laminate has no core to keep dry.', costs: 'Nothing.', notWhen: 'Any cored deck.' },
  { id: 'tape', question: 'Bedding deck hardware', choice: 'Tape', reason: 'Butyl stays soft, comes apart again, and forgives.', costs: 'Squeezes out for days; needs a clean chamfer and another snug.', notWhen: 'Below the waterline, near fuel or solvents, in full sun uncovered.', usual: true },
  { id: 'tube', question: 'Bedding deck hardware', choice: 'Tube', reason: 'Medium polyurethane or hybrid bonds as well as seals.', costs: 'One shot, and hard to redo.', notWhen: 'Where it must come apart cleanly.' },
  { id: 'builder', question: 'Bedding deck hardware', choice: 'Match the builder', reason: 'The same as the rest of the boat, so that the next fitter knows what he meets.', costs: 'One may inherit a poor choice.', notWhen: 'Where nobody knows what the builder used.' },
  { id: 'once', question: 'Tightening', choice: 'Once, full', reason: 'The bead is wet and squeezes out evenly; nothing is disturbed afterwards.', costs: 'A thin bead; little left to move.', notWhen: 'Where the joint must stretch.', usual: true },
  { id: 'two-step', question: 'Tightening', choice: 'Two steps', reason: 'Snug to squeeze-out, let the bead become a gasket, then a last part-turn on the nut only.', costs: 'A second visit, and the temptation to turn the bolt.', notWhen: 'Where nobody will come back for it.' },
  { id: 'chamfer', question: 'Top of the hole', choice: 'Countersink it', reason: 'A ring of bedding is trapped round the bolt.', costs: 'A little of the outer skin.', notWhen: 'On a thin outer skin over an open core.' },
  { id: 'flat', question: 'Top of the hole', choice: 'Leave it flat', reason: 'All of the skin stays.', costs: 'The bedding is only as thick as the squeeze leaves it.', notWhen: 'Nowhere forbidden.' },
  { id: 'calculated', question: 'Backing plate', choice: 'Calculate it', reason: 'Thickness follows from pull, overhang and material.', costs: 'Wants the load to be known.', notWhen: 'Where the load is a guess: then take the larger.', usual: true },
  { id: 'rule', question: 'Backing plate', choice: 'Rule of thumb', reason: 'One bolt diameter thick in metal, two in anything else, five diameters past the bolts: quick, and rarely too small.', costs: 'Weight, and longer bolts.', notWhen: 'Heavy levers, and where space clips the plate.' },
  { id: 'leak-must-tell', question: 'The inside', choice: 'Leak must tell', reason: 'The bead goes on the deck side only; the inside stays unsealed, so that a leak shows.', costs: 'A drip is seen, sooner.', notWhen: 'Below the waterline, where the inside is sealed too.', usual: true },
]
export const schoolsFor = (question: string) => SCHOOLS.filter((s) => s.question === question)
