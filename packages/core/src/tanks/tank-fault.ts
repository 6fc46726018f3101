import type { MeshFault, Place } from '../meshes/mesh.ts';
import type { SectionFault, SectionPoint } from './section-polygon.ts';
import type { StlFault } from './read-stl.ts';

/** Why a tank's shape, though measured, is no tank; with the place, so that the drawing can show it. */
export type TankFault =
  | { code: 'section'; station?: number; fault: SectionFault }
  | { code: 'stationsDoNotAscend'; station: number }
  /** A floor at the roof's height or above it: "bridge", "left lobe", "step 2". */
  | { code: 'aboveRoof'; part: string }
  | { code: 'noVolume' }
  | { code: 'sumpOutside' }
  | { code: 'mesh'; fault: MeshFault | StlFault | { code: 'damaged' } }
  | { code: 'table'; row: number; what: 'levelRepeats' | 'volumeFalls' | 'tooFewRows' }
  | { code: 'fills'; what: 'tooFew' };

/** The fault in a sentence that says what and where. Sides, stations and rows are numbered from 1. */
export function describeTankFault(fault: TankFault): string {
  switch (fault.code) {
    case 'section': {
      const where = fault.station === undefined ? 'The traced section' : `Section ${fault.station + 1}`;
      const inner = fault.fault;
      switch (inner.code) {
        case 'tooFewPoints':
          return `${where} needs at least three points.`;
        case 'notANumber':
          return `${where} has no number at point ${inner.point + 1}.`;
        case 'noArea':
          return `${where} encloses no area.`;
        case 'crosses':
          return `${where} crosses itself: the side from point ${inner.sides[0] + 1} meets the side from point ${inner.sides[1] + 1} at ${millimetres(inner.at)}.`;
      }
      break;
    }
    case 'stationsDoNotAscend':
      return `Section ${fault.station + 1} does not stand behind the one after it: give the sections in order along the tank.`;
    case 'aboveRoof':
      return `The floor of its ${fault.part} lies at the tank’s roof or above it: heights are from the tank floor up.`;
    case 'noVolume':
      return 'The tank’s measurements leave no volume in it.';
    case 'sumpOutside':
      return 'The sump reaches outside the tank’s floor.';
    case 'table':
      return fault.what === 'tooFewRows'
        ? 'The strapping table needs at least two rows.'
        : fault.what === 'levelRepeats'
          ? `Row ${fault.row + 1} of the strapping table has the level of another row.`
          : `The volume falls in row ${fault.row + 1} of the strapping table although the level rises.`;
    case 'fills':
      return 'The fills do not make a table yet: it needs two readings that differ.';
    case 'mesh':
      return describeMeshFault(fault.fault);
  }
}

export function describeMeshFault(fault: MeshFault | StlFault | { code: 'damaged' }): string {
  switch (fault.code) {
    case 'empty':
      return 'The mesh encloses no volume.';
    case 'notClosed':
      return `The mesh is not closed: ${fault.openEdges} ${fault.openEdges === 1 ? 'edge has' : 'edges have'} no triangle on one side, the first at ${millimetres(fault.places[0]!)}.`;
    case 'mixedFacing':
      return `Some triangles of the mesh are inside out: at ${fault.edges} ${fault.edges === 1 ? 'edge' : 'edges'} neighbours face opposite ways, the first at ${millimetres(fault.places[0]!)}.`;
    case 'notStl':
      return 'That is not an STL file, neither ASCII nor binary.';
    case 'cutShort':
      return `The STL file is cut short: ${fault.triangles} of ${fault.expected} triangles are there.`;
    case 'badNumber':
      return `The STL file holds something that is not a number at line or triangle ${fault.line}.`;
    case 'tooMany':
      return `The STL file has ${fault.triangles} triangles, more than Endrel takes: make it coarser.`;
    case 'damaged':
      return 'The stored mesh is damaged: read the file in again.';
  }
}

const millimetres = (place: Place | SectionPoint): string =>
  `(${place.map((v) => (v * 1000).toFixed(0).replace('-', '−')).join(', ')}) mm`;

/** Where to draw the fault. */
export function faultPlaces(fault: TankFault): { section?: SectionPoint; mesh?: readonly Place[] } {
  if (fault.code === 'section' && fault.fault.code === 'crosses') return { section: fault.fault.at };
  if (fault.code === 'mesh' && 'places' in fault.fault) return { mesh: fault.fault.places };
  return {};
}
