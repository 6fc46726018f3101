import { z } from 'zod';
import { lineSchema } from '../fields/text.ts';
import { meshBounds, type Mesh } from './mesh.ts';

/**
 * A mesh as it is kept in a job file: corner places on a grid of 65 535 steps of its own size (15 µm on a metre) and three
 * place numbers a triangle, both little-endian in base 64.
 */
export const packedMeshSchema = z.strictObject({
  name: lineSchema(120),
  triangles: z.number().int().min(4).max(60_000),
  /** Corner of the box it lies in and the box's size, m. */
  least: z.tuple([z.number(), z.number(), z.number()]),
  size: z.tuple([z.number().min(0), z.number().min(0), z.number().min(0)]),
  places: z
    .string()
    .max(600_000)
    .regex(/^[A-Za-z0-9+/=]*$/, 'is not base 64'),
  faces: z
    .string()
    .max(1_000_000)
    .regex(/^[A-Za-z0-9+/=]*$/, 'is not base 64'),
  /** The file's triangles faced inwards and were turned. */
  turned: z.boolean().optional(),
});
export type PackedMesh = z.infer<typeof packedMeshSchema>;

export const MOST_PACKED_TRIANGLES = 60_000;
const STEPS = 65_535;

export function packMesh(mesh: Mesh, name: string, turned: boolean): PackedMesh {
  const { least, most } = meshBounds(mesh);
  const size = most.map((m, i) => m - least[i]!) as [number, number, number];
  const numbers = new Map<string, number>();
  const places: number[] = [];
  const faces = Array.from({ length: mesh.corners.length / 3 }, (_, corner) => {
    const place = [0, 1, 2].map((a) =>
      size[a] === 0 ? 0 : Math.round(((mesh.corners[3 * corner + a]! - least[a]!) / size[a]!) * STEPS),
    );
    const key = place.join();
    let number = numbers.get(key);
    if (number === undefined) {
      numbers.set(key, (number = numbers.size));
      places.push(...place);
    }
    return number;
  });
  return {
    name: name.slice(0, 120),
    triangles: mesh.corners.length / 9,
    least,
    size,
    places: toBase64(Uint8Array.from(places.flatMap((v) => [v & 255, v >> 8]))),
    faces: toBase64(Uint8Array.from(faces.flatMap((v) => [v & 255, (v >> 8) & 255, v >> 16]))),
    ...(turned ? { turned } : {}),
  };
}

/** The mesh again, or undefined where the text does not hold what it says. */
export function unpackMesh(packed: PackedMesh): Mesh | undefined {
  const places = fromBase64(packed.places);
  const faces = fromBase64(packed.faces);
  if (!places || !faces || faces.length !== packed.triangles * 9 || places.length % 6 !== 0) return undefined;
  const corners = new Float64Array(packed.triangles * 9);
  for (let corner = 0; corner < packed.triangles * 3; corner++) {
    const number = faces[3 * corner]! + faces[3 * corner + 1]! * 256 + faces[3 * corner + 2]! * 65_536;
    if (number * 6 >= places.length) return undefined;
    for (let a = 0; a < 3; a++) {
      const step = places[6 * number + 2 * a]! + places[6 * number + 2 * a + 1]! * 256;
      corners[3 * corner + a] = packed.least[a]! + (step / STEPS) * packed.size[a]!;
    }
  }
  return { corners };
}

// base 64 by RFC 4648: core knows neither atob nor Buffer
const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const valueOfLetter = new Int16Array(128).fill(-1);
[...letters].forEach((letter, value) => (valueOfLetter[letter.charCodeAt(0)] = value));
valueOfLetter['='.charCodeAt(0)] = 0;

function toBase64(bytes: Uint8Array): string {
  const groups: string[] = [];
  for (let i = 0; i < bytes.length; i += 3) {
    const held = bytes.length - i;
    const bits = (bytes[i]! << 16) | ((bytes[i + 1] ?? 0) << 8) | (bytes[i + 2] ?? 0);
    groups.push(
      letters[bits >> 18]! +
        letters[(bits >> 12) & 63]! +
        (held > 1 ? letters[(bits >> 6) & 63]! : '=') +
        (held > 2 ? letters[bits & 63]! : '='),
    );
  }
  return groups.join('');
}

function fromBase64(text: string): Uint8Array | undefined {
  if (text.length % 4 !== 0) return undefined;
  const padding = text.endsWith('==') ? 2 : text.endsWith('=') ? 1 : 0;
  const bytes = new Uint8Array((text.length / 4) * 3 - padding);
  let at = 0;
  for (let i = 0; i < text.length; i += 4) {
    let bits = 0;
    for (let k = 0; k < 4; k++) {
      const value = valueOfLetter[text.charCodeAt(i + k)] ?? -1;
      if (value < 0) return undefined;
      bits = bits * 64 + value;
    }
    for (const byte of [bits >> 16, (bits >> 8) & 255, bits & 255]) if (at < bytes.length) bytes[at++] = byte;
  }
  return bytes;
}
