import type { z } from 'zod';
import { choice, namesOf, quantity, rowOf, text } from '../fields/property.ts';
import { degrees, mm } from '../units/quick.ts';

/** Which mark on a bender stands over the mark on the tube. */
export const benderMarks = {
  start: { name: 'start mark: where the bend begins' },
  centre: { name: 'centre mark: the middle of the bend' },
} as const;

/** A bender of the shop. Straights are what it needs to hold the tube; typical of hand benders, from memory, until they are measured. */
export const benderProperties = {
  label: text('bender', 60),
  outsideDiameter: quantity('for tube of', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(2),
    maximum: mm(40),
    named: 'dashOfTube',
    needed: true,
  }),
  radius: quantity('centre-line radius', 'length', 'mm', {
    minimum: mm(5),
    maximum: 0.5,
    needed: true,
    hint: 'Of the tube’s middle, not of the groove’s bottom.',
  }),
  mark: choice('its mark', namesOf(benderMarks)),
  before: quantity('straight before a bend', 'length', 'mm', {
    tool: 'tape',
    maximum: 0.5,
    hint: 'What hook or clamp holds.',
  }),
  between: quantity('straight between bends', 'length', 'mm', {
    tool: 'tape',
    maximum: 0.5,
    hint: 'So that the bend before clears the die.',
  }),
  set: quantity('test bend: set on the dial', 'angle', '°', { minimum: degrees(5), maximum: degrees(180) }),
  got: quantity('test bend: measured afterwards', 'angle', '°', { minimum: degrees(5), maximum: degrees(180) }),
  arm: quantity('body beyond the die’s middle', 'length', 'mm', {
    tool: 'tape',
    maximum: 1,
    hint: 'How far handle or vice reaches on the inside of the bend.',
  }),
  thick: quantity('thickness of the body', 'length', 'mm', { tool: 'calipers', minimum: mm(5), maximum: mm(300) }),
};
export const benderSchema = rowOf(benderProperties);
export type BenderRow = z.infer<typeof benderSchema>;
