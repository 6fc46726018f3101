/** Schools of layout. */
export const layouts = {
  bypassAfterRail: {
    engine: 'injection',
    name: 'Bypass after the rail',
    path: 'pump → filter → rail → bypass regulator → return',
    good: 'Rail flushed and cool, steady pressure at the injectors.',
    bad: 'Long return; hot fuel to the tank.',
  },
  bypassBeforeRail: {
    engine: 'injection',
    name: 'Bypass before the rail',
    path: 'pump → filter → bypass regulator in the engine bay → dead-ended rail; return from the regulator',
    good: 'Simple rail; the regulator is easy to see and set.',
    bad: 'The rail is not flushed; its capped end traps air.',
  },
  bypassAtTank: {
    engine: 'injection',
    name: 'Bypass at the tank, fixed pressure',
    path: 'pump → filter and bypass regulator by the tank → one line forward → rail',
    good: 'One long line, least heat. Common practice: up to about 450 hp naturally aspirated.',
    bad: 'No manifold reference; what the line loses comes off the rail pressure.',
  },
  inTankReturnless: {
    engine: 'injection',
    name: 'In-tank, returnless',
    path: 'pump, filter and bypass regulator in the module → one line out → rail',
    good: 'Factory-like: one line, nothing comes back hot from the engine.',
    bad: 'No manifold reference; line loss comes off the rail pressure; the pump’s heat stays in the tank.',
  },
  electronicReturnless: {
    engine: 'injection',
    name: 'Electronic returnless',
    path: 'pump under a controller (PWM) → filter → one line, pressure sensor → rail; no return',
    good: 'The modern engine’s own controls; the pump turns only as fast as it must, so little heat. Feeds direct-injection pumps.',
    bad: 'The sensor must sit where the controller expects it; shielded wiring; the old return is capped.',
  },
  liftAndPot: {
    engine: 'injection',
    name: 'Lift pump and swirl pot',
    path: 'lift pump → swirl pot → high-pressure pump → filter → rail → bypass regulator → back to the pot; overflow to the tank',
    good: 'Any tank, no baffles needed: the pot carries the engine through a bend.',
    bad: 'Two pumps, four hoses, noise, room.',
  },
  carburettorDeadHead: {
    engine: 'carburettor',
    name: 'Carburettor, dead-head',
    path: 'pump → filter → dead-head regulator → needle and seat',
    good: 'One line, no return.',
    bad: 'Vapour lock without a return; floods above about 6 to 7 psi (common practice).',
  },
  carburettorBypass: {
    engine: 'carburettor',
    name: 'Carburettor, bypass',
    path: 'pump → filter → bypass regulator → needle and seat; return from the regulator',
    good: 'Cool and steady: fuel keeps moving past a hot engine.',
    bad: 'A second line.',
  },
} as const;
export type LayoutKey = keyof typeof layouts;
