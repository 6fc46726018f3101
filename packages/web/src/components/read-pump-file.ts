import Papa from 'papaparse';
import type { PumpTable } from '@endrel/core/pumps/pump-table';
import { readPumpCsv, type PumpCsvFault } from '@endrel/core/pumps/read-pump-csv';
import { failure, type Result } from '@endrel/core/result';

const LARGEST_CSV = 200 * 1024; // bytes

/** A pump's tables from a CSV file that the fitter chose: all of it or, row by row, why not. */
export async function readPumpFile(file: File): Promise<Result<PumpTable[], PumpCsvFault[]>> {
  if (file.size > LARGEST_CSV) return failure([{ row: 0, message: 'It is too large to be a pump table.' }]);
  return readPumpCsv(Papa.parse<string[]>((await file.text()).trim(), { skipEmptyLines: true }).data);
}
