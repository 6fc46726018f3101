/** Where a command writes: the terminal, or a test. */
export interface Output {
  out(text: string): void;
  err(text: string): void;
}
export const terminal: Output = {
  out: (t) => void process.stdout.write(`${t}\n`),
  err: (t) => void process.stderr.write(`${t}\n`),
};
