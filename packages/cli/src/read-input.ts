import { createReadStream } from 'node:fs';
import { BadInput } from './bad-input.ts';

/** Text of a file in UTF-8, as `readInput`; the mark of byte order that some programs put in front is left out. @throws BadInput */
export async function readText(file: string, most: number): Promise<string> {
  return new TextDecoder('utf-8').decode(await readInput(file, most));
}

/** Bytes of a file, or of standard input for `-`, never more than `most` bytes. @throws BadInput */
export async function readInput(file: string, most: number): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let size = 0;
  try {
    for await (const chunk of file === '-' ? process.stdin : createReadStream(file)) {
      size += (chunk as Buffer).length;
      if (size > most) throw new BadInput(`${file} is larger than ${Number((most / 1024 / 1024).toFixed(1))} MB`);
      chunks.push(chunk as Buffer);
    }
  } catch (error) {
    if (error instanceof BadInput) throw error;
    const code = (error as NodeJS.ErrnoException).code;
    throw new BadInput(
      code === 'ENOENT' ? `there is no file ${file}` : `${file} cannot be read (${code ?? 'unknown'})`,
    );
  }
  return Buffer.concat(chunks);
}
