import { z } from 'zod';
import { lineSchema } from '../fields/text.ts';
import { packedMeshSchema, unpackMesh, type PackedMesh } from '../meshes/packed-mesh.ts';
import type { Mesh } from '../meshes/mesh.ts';
import { attachmentText, digestOf, digestSchema, holdAttachment } from './attachment.ts';

/** A tank's mesh as the job names it; the mesh itself is an attachment. */
export const tankMeshSchema = z.strictObject({
  digest: digestSchema,
  name: lineSchema(120),
  triangles: z.number().int().min(4).max(60_000),
  /** The file's triangles faced inwards and were turned. */
  turned: z.boolean().optional(),
});
export type TankMesh = z.infer<typeof tankMeshSchema>;

/** Makes an attachment of a packed mesh, and what the job says of it. */
export function attachMesh(packed: PackedMesh): { readonly mesh: TankMesh; readonly text: string } {
  const text = JSON.stringify(packed);
  const digest = digestOf(text);
  holdAttachment(digest, text);
  const { name, triangles, turned } = packed;
  return { mesh: { digest, name, triangles, ...(turned ? { turned } : {}) }, text };
}

/** What is wrong with the text of an attachment, or undefined. */
export function meshTextFault(text: string): string | undefined {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    return 'is not a mesh';
  }
  const read = packedMeshSchema.safeParse(parsed);
  if (!read.success) return `${read.error.issues[0]!.path.join('.')} ${read.error.issues[0]!.message}`;
  return unpackMesh(read.data) ? undefined : 'does not hold the triangles that it says';
}

const unpacked = new Map<string, Mesh | undefined>();

/** The mesh behind a digest: `away` while the attachment is not here, undefined where it holds none. */
export function meshBehind({ digest }: TankMesh): Mesh | undefined | 'away' {
  const text = attachmentText(digest);
  if (text === undefined) return 'away';
  if (!unpacked.has(digest)) unpacked.set(digest, unpackMesh(packedMeshSchema.parse(JSON.parse(text))));
  return unpacked.get(digest);
}
