import type { Rule } from './snag.ts';
import { adapterNotRated } from './rules/adapter-not-rated.ts';
import { aluminiumWithEthanol } from './rules/aluminium-with-ethanol.ts';
import { beyondPumpTable } from './rules/beyond-pump-table.ts';
import { injectorsTooSmall } from './rules/injectors-too-small.ts';
import { soakFlashes } from './rules/soak-flashes.ts';
import { controllerPressure } from './rules/controller-pressure.ts';
import { railPressureHigh } from './rules/rail-pressure-high.ts';
import { returnBehindSill } from './rules/return-behind.ts';
import { hangerHangsFree } from './rules/hanger-hangs-free.ts';
import { noFineFilter } from './rules/no-fine-filter.ts';
import { returnCapped } from './rules/return-capped.ts';
import { foamWithEthanol } from './rules/foam-with-ethanol.ts';
import { referenceUnwanted } from './rules/reference-unwanted.ts';
import { circuitFault } from './rules/circuit-fault.ts';
import { contactOverloaded } from './rules/contact-overloaded.ts';
import { crimpMisfit } from './rules/crimp-misfit.ts';
import { pumpNotFed } from './rules/pump-not-fed.ts';
import { signalOff } from './rules/signal-off.ts';
import { studLive } from './rules/stud-live.ts';
import { wireJoint } from './rules/wire-joint.ts';
import { wireUnfused } from './rules/wire-unfused.ts';
import { wireTooThin } from './rules/wire-too-thin.ts';
import { hangerMissesSump } from './rules/hanger-misses-sump.ts';
import { collarTooThin, grooveNoRoom, matWithEthanol, studNotInsulated } from './rules/plate-details.ts';
import { sensorAlarm, sensorRange } from './rules/sensor-reading.ts';
import { blendVolatility } from './rules/blend-volatility.ts';
import { blendTestedOtherwise } from './rules/blend-tested-otherwise.ts';
import { bucketCannotRefill } from './rules/bucket-cannot-refill.ts';
import { bulkheadCrowded } from './rules/bulkhead-crowded.ts';
import { carburettorFlooded } from './rules/carburettor-flooded.ts';
import { coatingAttacked } from './rules/coating-attacked.ts';
import { doesNotTiltIn } from './rules/does-not-tilt-in.ts';
import { ethanolHose } from './rules/ethanol-hose.ts';
import { farLobeStranded } from './rules/far-lobe-stranded.ts';
import { filterReversed } from './rules/filter-reversed.ts';
import { fineFilterBeforePump } from './rules/fine-filter-before-pump.ts';
import { fixedRegulatorWithBoost } from './rules/fixed-regulator-with-boost.ts';
import { floatArcMeets } from './rules/float-arc-meets.ts';
import { floatPastTank } from './rules/float-past-tank.ts';
import { fuelOverheats } from './rules/fuel-overheats.ts';
import { fuseTooSmall } from './rules/fuse-too-small.ts';
import { gaugeMismatch } from './rules/gauge-mismatch.ts';
import { hangerTooLong } from './rules/hanger-too-long.ts';
import { hoseBelowPressure } from './rules/hose-below-pressure.ts';
import { hoseWorn } from './rules/hose-worn.ts';
import { hoseNotSubmersible } from './rules/hose-not-submersible.ts';
import { jointDoesNotSeal } from './rules/joint-does-not-seal.ts';
import { lineBelowPressure } from './rules/line-below-pressure.ts';
import { linesSwapped } from './rules/lines-swapped.ts';
import { loosePart } from './rules/loose-part.ts';
import { noRegulator } from './rules/no-regulator.ts';
import { oldConnection } from './rules/old-connection.ts';
import { openPort } from './rules/open-port.ts';
import { openingTooSmall } from './rules/opening-too-small.ts';
import { partBelowDeadHead } from './rules/part-below-dead-head.ts';
import { pickupNotLowest } from './rules/pickup-not-lowest.ts';
import { plateCrowded } from './rules/plate-crowded.ts';
import { potAmongPeople } from './rules/pot-among-people.ts';
import { potRunsDry } from './rules/pot-runs-dry.ts';
import { pressureCreep } from './rules/pressure-creep.ts';
import { pumpAboveOutlet } from './rules/pump-above-outlet.ts';
import { pumpKeepsRunning } from './rules/pump-keeps-running.ts';
import { pumpMargin } from './rules/pump-margin.ts';
import { hoseRoute } from './rules/hose-route.ts';
import { lineTooNear } from './rules/line-too-near.ts';
import { panelHoleRule } from './rules/panel-hole.ts';
import { tubeBending } from './rules/tube-bending.ts';
import { lineHeld } from './rules/line-held.ts';
import { tankCannotDrop } from './rules/tank-cannot-drop.ts';
import { routeHeights } from './rules/route-heights.ts';
import { placeWrong } from './rules/place-wrong.ts';
import { jointOutOfReach } from './rules/joint-out-of-reach.ts';
import { routeImpossible } from './rules/route-impossible.ts';
import { railPressureLow } from './rules/rail-pressure-low.ts';
import { regulatorsFight } from './rules/regulators-fight.ts';
import { regulatorAboveDeadHead } from './rules/regulator-above-dead-head.ts';
import { reliefOpen } from './rules/relief-open.ts';
import { returnEnd } from './rules/return-end.ts';
import { runDoesNotSolve } from './rules/run-does-not-solve.ts';
import { sealantWrong } from './rules/sealant-wrong.ts';
import { sealAttacked } from './rules/seal-attacked.ts';
import { senderWorn } from './rules/sender-worn.ts';
import { sensorMisplaced } from './rules/sensor-misplaced.ts';
import { sensorMissing } from './rules/sensor-missing.ts';
import { setPressure } from './rules/set-pressure.ts';
import { siphonJet } from './rules/siphon-jet.ts';
import { sockFolded } from './rules/sock-folded.ts';
import { stagedPumps } from './rules/staged-pumps.ts';
import { suctionMargin } from './rules/suction-margin.ts';
import { tankShape } from './rules/tank-shape.ts';
import { tankVent } from './rules/tank-vent.ts';
import { vapourAtRestart } from './rules/vapour-at-restart.ts';
import { velocityHigh } from './rules/velocity-high.ts';
import { ventLine } from './rules/vent-line.ts';
import { voltageDrop } from './rules/voltage-drop.ts';
import { wireInTank } from './rules/wire-in-tank.ts';
import { wormClamp } from './rules/worm-clamp.ts';
import { wrongMultiplier } from './rules/wrong-multiplier.ts';

/** Every mistake that Endrel catches. A new rule is one file with its test, and one line here. */
export const rules: readonly Rule[] = [
  runDoesNotSolve,
  loosePart,
  sensorMissing,
  linesSwapped,
  pumpAboveOutlet,
  fineFilterBeforePump,
  jointDoesNotSeal,
  adapterNotRated,
  bulkheadCrowded,
  sealantWrong,
  hoseBelowPressure,
  lineBelowPressure,
  partBelowDeadHead,
  hoseNotSubmersible,
  hoseWorn,
  wireInTank,
  openPort,
  noRegulator,
  regulatorAboveDeadHead,
  regulatorsFight,
  setPressure,
  railPressureLow,
  pumpMargin,
  suctionMargin,
  potRunsDry,
  potAmongPeople,
  stagedPumps,
  sensorMisplaced,
  vapourAtRestart,
  soakFlashes,
  fuelOverheats,
  pressureCreep,
  reliefOpen,
  fixedRegulatorWithBoost,
  carburettorFlooded,
  tankVent,
  pumpKeepsRunning,
  fuseTooSmall,
  voltageDrop,
  coatingAttacked,
  aluminiumWithEthanol,
  ethanolHose,
  sealAttacked,
  controllerPressure,
  railPressureHigh,
  returnBehindSill,
  hangerHangsFree,
  hangerMissesSump,
  grooveNoRoom,
  studNotInsulated,
  collarTooThin,
  matWithEthanol,
  sensorRange,
  sensorAlarm,
  noFineFilter,
  returnCapped,
  foamWithEthanol,
  referenceUnwanted,
  wireTooThin,
  wireUnfused,
  contactOverloaded,
  pumpNotFed,
  circuitFault,
  studLive,
  wireJoint,
  crimpMisfit,
  signalOff,
  wrongMultiplier,
  injectorsTooSmall,
  blendTestedOtherwise,
  blendVolatility,
  wormClamp,
  filterReversed,
  returnEnd,
  hangerTooLong,
  sockFolded,
  openingTooSmall,
  doesNotTiltIn,
  pickupNotLowest,
  bucketCannotRefill,
  siphonJet,
  farLobeStranded,
  plateCrowded,
  tankShape,
  ventLine,
  oldConnection,
  hoseRoute,
  lineTooNear,
  panelHoleRule,
  tubeBending,
  lineHeld,
  tankCannotDrop,
  routeHeights,
  placeWrong,
  jointOutOfReach,
  routeImpossible,
  gaugeMismatch,
  senderWorn,
  floatPastTank,
  floatArcMeets,
  velocityHigh,
  beyondPumpTable,
];
