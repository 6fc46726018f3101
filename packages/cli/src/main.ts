import { parseArgs } from 'node:util';
import { demoCommand } from './demo-command.ts';
import { solveCommand } from './solve-command.ts';
import { BAD_INPUT, BadInput } from './bad-input.ts';
import { terminal, type Output } from './output.ts';

const usage = `endrel solve FILE [--json]     operating points and snags of a job file (- reads standard input)
endrel demo [NAME]             list the demo jobs, or print one as a job file

Exit code: 0 without a stop snag, 1 with one, 2 on bad input.`;

/** Runs one command and returns its exit code. Every complaint is one clear line. */
export async function run(args: readonly string[], output: Output = terminal): Promise<number> {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { json: { type: 'boolean' }, help: { type: 'boolean', short: 'h' } },
    });
    const [command, ...operands] = positionals;
    if (values.help || command === undefined) {
      output.out(usage);
      return command === undefined && !values.help ? BAD_INPUT : 0;
    }
    if (command === 'solve') return await solveCommand(operands, values.json ?? false, output);
    if (command === 'demo') return demoCommand(operands, output);
    throw new BadInput(`there is no command “${command}”; see endrel --help`);
  } catch (error) {
    const known = error instanceof BadInput || (error as { code?: string }).code?.startsWith('ERR_PARSE_ARGS');
    if (!known) throw error;
    output.err(`endrel: ${(error as Error).message}`);
    return BAD_INPUT;
  }
}
