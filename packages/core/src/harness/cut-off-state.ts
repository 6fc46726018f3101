/** What the vehicle does, as far as it decides which contacts are closed. */
export interface CutOffState {
  readonly key: 'off' | 'on' | 'start';
  readonly engine: 'stopped' | 'turning';
  /** s since the key was turned on. */
  readonly since: number;
  readonly crashed: boolean;
  readonly oilPressure: boolean;
  /** What has failed, by device: a relay whose contacts have welded, a control unit that is dead. */
  readonly failed: ReadonlySet<string>;
  /** What nobody has told (how a coil is switched, what a unit does in a crash) is taken for closed or for open. */
  readonly untold: 'closed' | 'open';
}

/** As it drives: all pumps that are meant to run do. */
export const DRIVING: CutOffState = {
  key: 'on',
  engine: 'turning',
  since: 60,
  crashed: false,
  oilPressure: true,
  failed: new Set(),
  untold: 'closed',
};
