/** Breaks a name into at most two lines for a drawing; what does not fit ends in an ellipsis. */
export function wrapName(name: string, letters: number): string[] {
  const lines: string[] = [''];
  for (const word of name.split(/\s+/)) {
    const joined = `${lines.at(-1)} ${word}`.trim();
    if (joined.length <= letters || lines.at(-1) === '') lines[lines.length - 1] = joined;
    else lines.push(word);
  }
  const shown = lines.slice(0, 2);
  if (lines.length > 2) shown[1] = `${shown[1]!.slice(0, letters - 1)}…`;
  return shown.map((line) => (line.length > letters + 2 ? `${line.slice(0, letters)}…` : line));
}
