/** Places in a school of layout that a part may hold: recipes, cures and drawings go by them, never by a label. */
export const roles = {
  feedPump: 'feed pump',
  liftPump: 'lift pump',
  coarseFilter: 'coarse filter',
  fineFilter: 'fine filter',
  hangerHose: 'hanger hose',
  feedLine: 'feed line',
  engineHose: 'engine feed hose',
  carburettorHose: 'carburettor hose',
  regulatorHose: 'regulator hose',
  returnLine: 'return line',
  returnHose: 'return hose',
  liftHose: 'lift hose',
  potHose: 'pot outlet hose',
  overflowHose: 'overflow hose',
  branchHose: 'branch hose',
} as const;
export type Role = keyof typeof roles;
