import type { Port } from '../fittings/port.ts';
import { mm } from '../units/quick.ts';

const MEMORY = 'typical, from memory: try it on an offcut';

/** What is made on the end of a tube, and what it takes. Lengths over the outside of the tube. */
export interface TubeEndMaking {
  readonly name: string;
  /** Tube that the flare or bead uses up. */
  readonly uses: number;
  /** Straight that tool and nut need. */
  readonly straight: number;
  /** Whether a nut and sleeve have to be on before it. */
  readonly nut: boolean;
  readonly source: string;
}

/** By what the tube is joined to. */
export const tubeEndMakings = {
  single: { name: 'single flare, 37°', uses: 0.35, straight: 4, nut: true, source: MEMORY },
  double: { name: 'double or bubble flare, 45°', uses: 0.6, straight: 4, nut: true, source: MEMORY },
  bead: { name: 'bead for hose', uses: 0.25, straight: 4, nut: false, source: MEMORY },
  ferrule: { name: 'cut square for a ferrule', uses: 0, straight: 3, nut: true, source: MEMORY },
  plain: { name: 'cut square', uses: 0, straight: 0, nut: false, source: 'nothing is made on it' },
} as const satisfies Record<string, TubeEndMaking>;

/** What is made on a tube that meets such a port; the usual one where nobody looked at it. */
export function makingFor(fitting: Port | undefined): TubeEndMaking {
  switch (fitting?.form) {
    case 'flare37':
      return tubeEndMakings.single;
    case 'flare45':
    case 'invertedFlare':
      return tubeEndMakings.double;
    case 'bead':
    case 'hose':
    case 'barb':
      return tubeEndMakings.bead;
    case 'ferrule':
      return tubeEndMakings.ferrule;
    default:
      return tubeEndMakings.plain;
  }
}

/** A tube nut as long as so many outsides of its tube, with so much room round it: typical, from memory. */
export const usualNut = { length: 2, room: mm(0.4) } as const;

/**
 * Whether a nut slides round a bend: over its length the tube leaves the straight by l²/8R, and no more than its room lets it.
 * Geometry of a chord.
 */
export const passesBend = (nut: number, room: number, radius: number): boolean => nut ** 2 / (8 * radius) <= room;
