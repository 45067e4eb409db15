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
  { id: 'tape', question: 'Bedding deck hardware', choice: 'Tape', reason: 'Butyl stays soft, comes apart again, and forgives.', costs: 'Squeezes out for days; needs a clean chamfer and another snug.', notWhen: 'ThroughHull the waterline, near fuel or solvents, in full sun uncovered.', usual: true },
  { id: 'tube', question: 'Bedding deck hardware', choice: 'Tube', reason: 'Medium polyurethane or hybrid bonds as well as seals.', costs: 'One shot, and hard to redo.', notWhen: 'Where it must come apart cleanly.' },
  { id: 'builder', question: 'Bedding deck hardware', choice: 'Match the builder', reason: 'The same as the rest of the boat, so that the next fitter knows what he meets.', costs: 'One may inherit a poor choice.', notWhen: 'Where nobody knows what the builder used.' },
  { id: 'once', question: 'Tightening', choice: 'Once, full', reason: 'The bead is wet and squeezes out evenly; nothing is disturbed afterwards.', costs: 'A thin bead; little left to move.', notWhen: 'Where the joint must stretch.', usual: true },
  { id: 'two-step', question: 'Tightening', choice: 'Two steps', reason: 'Snug to squeeze-out, let the bead become a gasket, then a last part-turn on the nut only.', costs: 'A second visit, and the temptation to turn the bolt.', notWhen: 'Where nobody will come back for it.' },
  { id: 'chamfer', question: 'Top of the hole', choice: 'Countersink it', reason: 'A ring of bedding is trapped round the bolt.', costs: 'A little of the outer skin.', notWhen: 'On a thin outer skin over an open core.' },
  { id: 'flat', question: 'Top of the hole', choice: 'Leave it flat', reason: 'All of the skin stays.', costs: 'The bedding is only as thick as the squeeze leaves it.', notWhen: 'Nowhere forbidden.' },
  { id: 'calculated', question: 'Backing plate', choice: 'Calculate it', reason: 'Thickness follows from pull, overhang and material.', costs: 'Wants the load to be known.', notWhen: 'Where the load is a guess: then take the larger.', usual: true },
  { id: 'rule', question: 'Backing plate', choice: 'Rule of thumb', reason: 'One bolt diameter thick in metal, two in anything else, five diameters past the bolts: quick, and rarely too small.', costs: 'Weight, and longer bolts.', notWhen: 'Heavy levers, and where space clips the plate.' },
  { id: 'leak-must-tell', question: 'The inside', choice: 'Leak must tell', reason: 'The bead goes on the deck side only; the inside stays unsealed, so that a leak shows.', costs: 'A drip is seen, sooner.', notWhen: 'ThroughHull the waterline, where the inside is sealed too.', usual: true },
  { id: 'seal-inside', question: 'The inside', choice: 'Seal it too', reason: 'No damp air gets at the bolts from below.', costs: 'A leak from above hides behind it until the core is wet.', notWhen: 'Over a core that rots.' },
  { id: 'bead-on-fitting', question: 'Where the bead goes', choice: 'On the fitting', reason: 'A cable or tail drawn through the hole stays clean: always for transducers.', costs: 'The fitting is carried wet.', notWhen: 'Nowhere forbidden.', usual: true },
  { id: 'bead-on-structure', question: 'Where the bead goes', choice: 'On the structure', reason: 'One sees that the bead is unbroken before the fitting goes down.', costs: 'A cable drawn through drags in it.', notWhen: 'Where a tail or cable passes.' },
  { id: 'bronze', question: 'Through-hull material', choice: 'DZR or gun-metal bronze', reason: 'Strong, and proven by long use.', costs: 'Heavy; bonding or isolating has to be thought out.', notWhen: 'On an aluminium hull.', usual: true },
  { id: 'composite', question: 'Through-hull material', choice: 'Reinforced nylon composite', reason: 'Light, and no galvanic trouble at all.', costs: 'Wants its load collar to pass the strength test; handles break if never turned.', notWhen: 'Where it may be trodden on.' },
  { id: 'stainless-below', question: 'Through-hull material', choice: '316 stainless', reason: 'Strong and bright where moving water floods it.', costs: 'Crevices pit unseen.', notWhen: 'Where water stands, or where it cannot be looked at.' },
  { id: 'yellow-brass', question: 'Through-hull material', choice: 'Yellow brass', reason: 'Cheap and at hand; named here because it is found.', costs: 'The zinc leaches out and it crumbles.', notWhen: 'Always: never in sea water.' },
  { id: 'composite-bedded', question: 'Composite fitting in the hull', choice: 'Bedded', reason: 'It comes out again when it is broken or the hull has to be opened.', costs: 'The bedding has a life, and is renewed with it.', notWhen: 'Nowhere forbidden.', usual: true },
  { id: 'composite-epoxy', question: 'Composite fitting in the hull', choice: 'Set in epoxy', reason: 'Fitting, pad and hull become one: nothing to weep, and water never gets at the hull\u2019s edge.', costs: 'It never comes out whole; the next one means boring it out.', notWhen: 'Polyethylene or acetal, which nothing bonds to; where its line may have to move.' },
  { id: 'bronze-bedded', question: 'Bronze or stainless in the hull', choice: 'Bedded, never in epoxy', reason: 'Metal works against the laminate with every change of warmth and has to come out when its seat is worn.', costs: 'A bead to look after.', notWhen: 'Nowhere forbidden.', usual: true },
  { id: 'bolt-through', question: 'Seacock bolts', choice: 'Through the hull', reason: 'Strongest: the hull itself holds, with flush heads faired.', costs: 'Three more holes under water.', notWhen: 'Where nobody will fair the heads.' },
  { id: 'bolt-pad', question: 'Seacock bolts', choice: 'Into the pad', reason: 'No new holes in the hull.', costs: 'Depends on the pad\u2019s bond, and on inserts.', notWhen: 'Where the bond cannot be ground and proven.' },
  { id: 'bond-all', question: 'Underwater metals', choice: 'Bond all to an anode', reason: 'One anode looks after every fitting, proven by a meter.', costs: 'Wires and joints to keep under 0.1 \u03a9; over-protection burns wood.', notWhen: 'Wooden hulls with much anode.' },
  { id: 'isolate-each', question: 'Underwater metals', choice: 'Isolate each', reason: 'A fitting of sound bronze alone in the water needs no help.', costs: 'One unseen contact undoes it.', notWhen: 'Where fittings of several metals touch the same water and structure.' },
  { id: 'large-first', question: 'Order of a patch', choice: 'Largest disc first', reason: 'The first ply bonds to the whole ground face.', costs: 'Every later edge is faired over.', notWhen: 'Nowhere forbidden.', usual: true },
  { id: 'small-first', question: 'Order of a patch', choice: 'Smallest disc first', reason: 'The last ply covers all edges.', costs: 'Each ply touches only its own ring of ground face.', notWhen: 'Highly loaded places, by most.' },
  { id: 'bevel-8', question: 'Bevel of a patch', choice: '8:1', reason: 'Enough for single skin above the waterline.', costs: 'Least bond.', notWhen: 'ThroughHull the waterline, or highly loaded.' },
  { id: 'bevel-12', question: 'Bevel of a patch', choice: '12:1', reason: 'The common measure.', costs: 'A ground ring of twelve thicknesses.', notWhen: 'Highly loaded places.', usual: true },
  { id: 'bevel-20', question: 'Bevel of a patch', choice: '20:1', reason: 'For highly loaded or thin prepreg skins.', costs: 'Much grinding, and neighbours come into it.', notWhen: 'Where there is no room for it.' },
  { id: 'hose', question: 'Leak test', choice: 'Hose or flood', reason: 'As the sea does it: low to high, one fitting at a time, the inside watched dry.', costs: 'Two people and time.', notWhen: 'Where water inside does harm.', usual: true },
  { id: 'pressure', question: 'Leak test', choice: 'Dye, or soap under slight pressure', reason: 'Finds the path where a hose only shows that there is one; no more than 2 kPa.', costs: 'The space has to be shut.', notWhen: 'Where panes or liners could be lifted.' },
  { id: 'wet-insert', question: 'Wet core under a fitting', choice: 'Insert under the base', reason: 'The core goes out where the fitting stands and a high-density insert goes in: the load no longer leans on it.', costs: 'The outer skin cut and laid again; a day more.', notWhen: 'Where most of the deck is wet: the insert would stand in a swamp.', usual: true },
  { id: 'wet-recore', question: 'Wet core under a fitting', choice: 'Recore the patch', reason: 'Everything wet goes out, back to dry core, and new core is laid under a new skin.', costs: 'Days of work, and the non-skid to make again.', notWhen: 'For one small fitting.' },
  { id: 'wet-dry-out', question: 'Wet core under a fitting', choice: 'Dry it out', reason: 'A core that is wet but sound dries under warmth and dry air, opened from the hole or from below.', costs: 'Weeks, and readings to prove it.', notWhen: 'Where a sample is rotten or the skin has let go.' },
  { id: 'lid-hinged', question: 'A lid', choice: 'Hinged', reason: 'Always there, and quick.', costs: 'Hinge screws are holes.', notWhen: 'Where it could open upside down.' },
  { id: 'lid-ledge', question: 'A lid', choice: 'Lift-out under a ledge, with turn-buttons', reason: 'Secure upside down.', costs: 'It can be lost.', notWhen: 'Where it is opened in a hurry.' },
  { id: 'lid-threaded', question: 'A lid', choice: 'Sealed threaded plate', reason: 'Fewest holes, and tight.', costs: 'Small; the thread wants grease.', notWhen: 'Where an arm has to pass.' },
]
export const schoolsFor = (question: string) => SCHOOLS.filter((s) => s.question === question)
