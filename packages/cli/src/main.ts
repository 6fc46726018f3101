import { parseArgs } from 'node:util';
import { bendCommand } from './bend-command.ts';
import { chainCommand } from './chain-command.ts';
import { circuitCommand } from './circuit-command.ts';
import { demoCommand } from './demo-command.ts';
import { fuelCommand } from './fuel-command.ts';
import { jetCommand } from './jet-command.ts';
import { hangerCommand } from './hanger-command.ts';
import { hoseCommand } from './hose-command.ts';
import { inpCommand } from './inp-command.ts';
import { networkCommand } from './network-command.ts';
import { joinNegativeValues } from './parse-options.ts';
import { senderCommand } from './sender-command.ts';
import { solveCommand } from './solve-command.ts';
import { tankCommand } from './tank-command.ts';
import { threadCommand } from './thread-command.ts';
import { inOneLine } from '@endrel/core/fields/text';
import { BAD_INPUT, BadInput, OWN_FAULT } from './bad-input.ts';
import { complaint, shown, terminal, type Output } from './output.ts';

const usage = `endrel solve FILE [--json]     operating points and snags of a job file (- reads standard input)
endrel network FILE [--json]    solves every scenario of a network (.json, or EPANET's .inp)
endrel circuit FILE [--json]    volts and amperes of a wiring circuit (docs/circuit-file.md)
endrel inp JOB [--point idle]  the run of a job as an EPANET input file
endrel demo [NAME]             list the demo jobs, or print one as a job file
endrel tank volume FILE --level 120mm [--pitch 5deg] [--roll 0] [--stl-unit mm] [--json]
                               litres below a level, in the file's own axes: parts (.json), mesh (.stl),
                               strapping table (.csv)
endrel hanger opening --bodies 39,39,50 [--json]
                               the smallest round opening for pump bodies side by side
endrel fuel --ethanol 85 --rvp 60kPa --at 50C [--rvp-of petrol|blend] [--json]
                               density, viscosity, vapour pressure and boiling point of a blend
endrel jet --nozzle 3mm --throat 9mm --motive 200L/h [--fuel petrol|E85|diesel] [--kind drilled|moulded]
           [--edge sharp|drilled] [--lift 0.1m] [--rvp 60kPa] [--at 20C] [--json]
                               what a siphon jet holds back and draws across
endrel thread --od 14.2mm --pitch 18tpi [--taper yes|no] [--seat cone|none|unknown] [--json]
              (--bore 12.9mm of a female one; --pitch none of a smooth or barbed end; --pitch 1.5mm, --crests 10 --over 14mm or --count 16 --over 25.4mm)
                               what thread it is, and what to measure next
endrel thread --readings FILE.csv [--json]
                               the same for every row of a table of readings
endrel chain "male flare37 -6" "female npt 3/8" [--fuel petrol|E85|diesel] [--min-bore 8mm] [--angle 90deg]
             [--swivel] [--no-taper] [--pressure 500kPa] [--max-length 60mm] [--max-flats 30mm] [--json]
                               the best adapters from one port to another
endrel bend POINTS.csv --clr 25mm [--od 3/8in] [--json]
                               bend table of a centre line (columns x,y,z in mm)
endrel bend --reverse LRA.csv --clr 25mm [--json]
                               its points again (columns straight,rotation,bend in mm and degrees)
endrel hose FILE.csv [--radius 75mm] [--json]
                               how hoses lie between their ends, and the shortest that keeps a radius
endrel sender match --sender 240-33 --gauge 0-90 [--json]
                               resistors between a sender and a gauge, ohms empty-full

Exit code: 0 without a stop snag, 1 with one, 2 on bad input, 3 on a fault of Endrel itself.`;

/** Runs one command and returns its exit code. Every complaint is one clear line. */
export async function run(args: readonly string[], output: Output = terminal()): Promise<number> {
  try {
    const { values, positionals } = parseArgs({
      args: joinNegativeValues(args, [
        'level',
        'pitch',
        'roll',
        'bodies',
        'sender',
        'gauge',
        'at',
        'lift',
        'ethanol',
        'motive',
        'nozzle',
        'throat',
        'rvp',
        'angle',
      ]),
      allowPositionals: true,
      options: {
        json: { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
        level: { type: 'string' },
        pitch: { type: 'string' },
        roll: { type: 'string' },
        'stl-unit': { type: 'string' },
        bodies: { type: 'string' },
        sender: { type: 'string' },
        gauge: { type: 'string' },
        point: { type: 'string' },
        ethanol: { type: 'string' },
        rvp: { type: 'string' },
        'rvp-of': { type: 'string' },
        at: { type: 'string' },
        nozzle: { type: 'string' },
        throat: { type: 'string' },
        motive: { type: 'string' },
        fuel: { type: 'string' },
        kind: { type: 'string' },
        edge: { type: 'string' },
        lift: { type: 'string' },
        od: { type: 'string' },
        crests: { type: 'string' },
        count: { type: 'string' },
        over: { type: 'string' },
        taper: { type: 'string' },
        seat: { type: 'string' },
        error: { type: 'string' },
        readings: { type: 'string' },
        bore: { type: 'string' },
        'min-bore': { type: 'string' },
        angle: { type: 'string' },
        pressure: { type: 'string' },
        'max-length': { type: 'string' },
        'max-flats': { type: 'string' },
        swivel: { type: 'boolean' },
        'no-taper': { type: 'boolean' },
        clr: { type: 'string' },
        reverse: { type: 'string' },
        radius: { type: 'string' },
      },
    });
    const [command, ...operands] = positionals;
    if (values.help || command === undefined) {
      output.out(usage);
      return command === undefined && !values.help ? BAD_INPUT : 0;
    }
    if (command === 'solve') return await solveCommand(operands, values.json ?? false, output);
    if (command === 'tank') return await tankCommand(operands, values, output);
    if (command === 'hanger') return hangerCommand(operands, values, output);
    if (command === 'sender') return senderCommand(operands, values, output);
    if (command === 'circuit') return await circuitCommand(operands, values.json ?? false, output);
    if (command === 'network') return await networkCommand(operands, values.json ?? false, output);
    if (command === 'inp') return await inpCommand(operands, values, output);
    if (command === 'fuel') return fuelCommand(operands, values, output);
    if (command === 'jet') return jetCommand(operands, values, output);
    if (command === 'thread') return await threadCommand(operands, values, output);
    if (command === 'chain') return chainCommand(operands, values, output);
    if (command === 'bend') return await bendCommand(operands, values, output);
    if (command === 'hose') return await hoseCommand(operands, values, output);
    if (command === 'demo') return demoCommand(operands, output);
    throw new BadInput(`there is no command “${command}”; see endrel --help`);
  } catch (error) {
    const { message, code } = error as Error & { code?: string };
    const isTheirs = error instanceof BadInput || code?.startsWith('ERR_PARSE_ARGS');
    output.err(
      complaint(shown(`endrel: ${isTheirs ? '' : 'a fault of Endrel itself, not of the file: '}${inOneLine(message)}`)),
    );
    return isTheirs ? BAD_INPUT : OWN_FAULT;
  }
}
