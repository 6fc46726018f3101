/** How a joint keeps the fuel in. */
export const seals = {
  metalCone: 'metal cone on metal cone',
  otherCone: 'metal cone of 45°, easily taken for one of 37°',
  oRing: 'O-ring in a boss',
  taperedThread: 'the taper of its thread',
  washer: 'a washer on a face',
  clampedHose: 'hose clamped over it',
  hoseEnd: 'hose held between nipple and socket',
  quickConnector: 'O-rings of a quick connector',
  ferrule: 'a ferrule on plain tube',
  pushFit: 'a push fit inside the tank, held by its retainer',
  formed: 'formed on the tube itself',
} as const;
export type Seal = keyof typeof seals;

export interface PortForm {
  readonly name: string;
  /** The word that notation and codes use. */
  readonly word: string;
  readonly seal: Seal;
  /** Gender that every port of the form has, where only one makes sense. */
  readonly only?: 'male' | 'female';
}

/** Every form of a port, by what it is called in a job; its sizes are in `port-size.ts`. */
export const portForms = {
  flare37: { name: '37° flare', word: 'flare37', seal: 'metalCone' },
  flare45: { name: '45° flare', word: 'flare45', seal: 'otherCone' },
  invertedFlare: { name: 'inverted flare', word: 'inverted', seal: 'otherCone' },
  oRingBoss: { name: 'O-ring boss', word: 'orb', seal: 'oRing' },
  npt: { name: 'tapered pipe, NPT', word: 'npt', seal: 'taperedThread' },
  bspt: { name: 'tapered pipe, BSPT (R)', word: 'bspt', seal: 'taperedThread' },
  bspp: { name: 'parallel pipe, BSPP (G)', word: 'bspp', seal: 'washer' },
  metricBanjo: { name: 'metric, banjo or washer', word: 'metric', seal: 'washer' },
  metricORing: { name: 'metric O-ring port', word: 'iso6149', seal: 'oRing' },
  quickConnector: { name: 'quick connector', word: 'quick', seal: 'quickConnector' },
  barb: { name: 'hose barb', word: 'barb', seal: 'clampedHose', only: 'male' },
  bead: { name: 'beaded tube end', word: 'bead', seal: 'clampedHose', only: 'male' },
  hose: { name: 'plain hose end', word: 'hose', seal: 'clampedHose', only: 'female' },
  hoseEnd: { name: 'hose end, hose side', word: 'hoseend', seal: 'hoseEnd', only: 'male' },
  neck: { name: 'strainer neck', word: 'neck', seal: 'pushFit' },
  tube: { name: 'plain tube end', word: 'tube', seal: 'ferrule', only: 'male' },
  tubeEnd: {
    name: 'end formed on tube, tube side',
    word: 'tubeend',
    seal: 'formed',

    only: 'female',
  },
  ferrule: { name: 'ferrule fitting', word: 'ferrule', seal: 'ferrule', only: 'female' },
} as const satisfies Record<string, PortForm>;
export type PortFormKey = keyof typeof portForms;

export const portForm = (key: PortFormKey): PortForm => portForms[key];
export const portFormKeys = Object.keys(portForms) as PortFormKey[];
