import { fittingLoss, sizeChangeLoss, type LossCoefficient } from '../hydraulics/loss-coefficient.ts';
import type { LinkLaw, Liquid } from '../hydraulics/network.ts';
import type { Component, ComponentOf } from '../job/component.ts';
import { settledValue } from '../job/value.ts';
import { hoseConstruction } from '../ratings/hose-construction.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';
import { mm } from '../units/quick.ts';

const PLAIN_FITTING_LOSS = 0.1; // K of a straight union on its own bore, typical, from memory
const QUICK_CONNECTOR_LOSS = 1; // typical, from memory
const BANJO_LOSS = 3; // typical, from memory
const Y_LOSS = 0.6; // into one leg of a Y, on its own velocity, typical, from memory
const BLOCK_LOSS = 1.3; // round the corner into a port of a distribution block, typical, from memory
const CHECK_VALVE_LOSS = 2; // K above what it takes to crack, typical, from memory
const RATED_VISCOSITY = 0.53e-3; // Pa s, petrol at 20 °C, the usual test liquid; typical, from memory

/** Seat of a pump's relief valve, wide open; typical, from memory. */
export const RELIEF_SEAT = { bore: mm(5), k: 6 };
/** Back through a stopped pump that has no check valve: 100 L/h at 300 kPa, typical of a turbine pump, from memory. Pa s/m3. */
export const STOPPED_PUMP = 300e3 / (100 / 3.6e6);

/** K of going from one line into a leg of what splits it. */
export const splitterLoss: Record<'y' | 'block' | 'tee', number> = { y: Y_LOSS, block: BLOCK_LOSS, tee: BLOCK_LOSS };

export const lineLaw = (
  length: number,
  bore: number,
  roughness: number,
  loss: LossCoefficient = { k1: 0, kInfinity: 0 },
): LinkLaw & { kind: 'line' } => ({ kind: 'line', length, bore, roughness, loss });

/** Darcy's law through a medium, linear in flow and in viscosity; rated on petrol at 20 °C (common practice). */
export const mediumLaw = (liquid: Liquid, flow: number, drop: number, dirt: number): LinkLaw => ({
  kind: 'porous',
  linear: (dirt * drop * liquid.viscosity) / (RATED_VISCOSITY * flow),
  quadratic: 0,
});

/** The law of a component that is one piece of line, on its own bore and with `extra` K for its ends. */
export function lineLawOf(component: Component, extra: number): (LinkLaw & { kind: 'line' }) | undefined {
  const plain = (length: number, bore: number, roughness: number, loss: LossCoefficient = { k1: 0, kInfinity: 0 }) =>
    lineLaw(length, bore, roughness, { k1: loss.k1, kInfinity: loss.kInfinity + extra });
  switch (component.kind) {
    case 'hose':
      return plain(
        component.length!.si,
        component.bore!.si,
        hoseConstruction(component.construction ?? 'r9').roughness,
      );
    case 'hardLine': {
      const bore = boreOf(component)!;
      const bend = fittingLoss('elbow90Bend', bore);
      const bends = component.bends ?? 0;
      return plain(component.length!.si, bore, DRAWN_TUBE_ROUGHNESS, {
        k1: bend.k1 * bends,
        kInfinity: bend.kInfinity * bends,
      });
    }
    case 'fitting':
      return plain(0, component.bore!.si, DRAWN_TUBE_ROUGHNESS, fittingLossOf(component));
    case 'checkValve':
      return {
        ...plain(0, component.bore!.si, DRAWN_TUBE_ROUGHNESS, { k1: 0, kInfinity: CHECK_VALVE_LOSS }),
        cracking: settledValue(component, 'cracking'),
      };
    case 'returnDrop':
      return plain(component.length!.si, component.bore!.si, DRAWN_TUBE_ROUGHNESS);
    default:
      return undefined;
  }
}

function fittingLossOf(component: ComponentOf<'fitting'>): LossCoefficient {
  if (component.lossCoefficient) return { k1: 0, kInfinity: component.lossCoefficient.si };
  switch (component.shape!) {
    case 'straight':
    case 'bulkhead':
      return { k1: 0, kInfinity: PLAIN_FITTING_LOSS };
    case 'quickConnector':
      return { k1: 0, kInfinity: QUICK_CONNECTOR_LOSS };
    case 'banjo':
      return { k1: 0, kInfinity: BANJO_LOSS };
    case 'y':
      return { k1: 0, kInfinity: Y_LOSS };
    case 'block':
      return { k1: 0, kInfinity: BLOCK_LOSS };
    default:
      return fittingLoss(component.shape as Parameters<typeof fittingLoss>[0], component.bore!.si);
  }
}

/** Bore that the fuel meets in a component, m. */
export function boreOf(component: Component): number | undefined {
  switch (component.kind) {
    case 'hose':
    case 'fitting':
    case 'checkValve':
    case 'returnDrop':
      return component.bore?.si;
    case 'hardLine':
      return component.outsideDiameter && component.wall
        ? component.outsideDiameter.si - 2 * component.wall.si
        : undefined;
    case 'rail':
      return settledValue(component, 'bore');
    default:
      return undefined;
  }
}

/** Length of line in a component, m. */
export function lengthOf(component: Component): number {
  if (component.kind === 'rail') return settledValue(component, 'length');
  return 'length' in component ? (component.length?.si ?? 0) : 0;
}

/** K of the changes of bore at both ends of a component that its own (smaller) bore has to answer for. */
export function sizeChangeOf(components: readonly Component[], i: number): number {
  const own = boreOf(components[i]!);
  if (own === undefined || components[i]!.kind === 'rail') return 0;
  const before = i > 0 ? boreOf(components[i - 1]!) : undefined;
  const after = i < components.length - 1 ? boreOf(components[i + 1]!) : undefined;
  return (
    (before !== undefined && before > own ? sizeChangeLoss(before, own) : 0) +
    (after !== undefined && after > own ? sizeChangeLoss(own, after) : 0)
  );
}
