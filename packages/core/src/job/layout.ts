/** Schools of layout that this version lays out and solves. */
export const layouts = {
  bypassAfterRail: {
    name: 'Bypass after the rail',
    path: 'pump → filter → rail → bypass regulator → return',
    good: 'Rail flushed and cool, steady pressure at the injectors.',
    bad: 'Long return; hot fuel to the tank.',
  },
  bypassAtTank: {
    name: 'Bypass at the tank, fixed pressure',
    path: 'pump → filter and bypass regulator by the tank → one line forward → rail',
    good: 'One long line, least heat. Common practice: up to about 450 hp naturally aspirated.',
    bad: 'No manifold reference; what the line loses comes off the rail pressure.',
  },
  carburettorDeadHead: {
    name: 'Carburettor, dead-head',
    path: 'pump → filter → dead-head regulator → needle and seat',
    good: 'One line, no return.',
    bad: 'Vapour lock without a return; floods above about 6 to 7 psi (common practice).',
  },
} as const;
export type LayoutKey = keyof typeof layouts;
