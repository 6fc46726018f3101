/** Schools of layout that this version lays out and solves. */
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
