import type { Line } from '@endrel/core/run/zones';

/** A part as far as its place on the drawing goes. */
export interface Piece {
  readonly id: string;
  readonly line: Line;
  readonly isTank: boolean;
  /** Fuel ends in it: an instrument, a damper, a service valve. */
  readonly isTap: boolean;
  readonly isInTank: boolean;
}
/** A joint, in the way of the fuel. */
export interface Way {
  readonly from: string;
  readonly to: string;
  readonly line: Line;
}

/**
 * Where a part stands: columns count from the tank's left wall and may be broken, rows count within their band, downwards
 * from the main path for the supply and the return, upwards for taps and overflow.
 */
export interface Cell {
  readonly id: string;
  readonly band: Band;
  readonly column: number;
  readonly row: number;
}
export type Band = Line | 'tap';
export interface LaidRun {
  readonly cells: ReadonlyMap<string, Cell>;
  readonly tank: string | undefined;
  /** Columns that the tank takes. */
  readonly tankColumns: number;
  readonly columns: number;
  readonly rows: Readonly<Record<Band, number>>;
}

/** Lays any run out: main path left to right, branches below it, returns back under those, overflows and taps above. */
export function layRun(pieces: readonly Piece[], ways: readonly Way[]): LaidRun {
  return new Layout(pieces, ways).lay();
}

const LEAST_STEP = 0.8; // columns between parts of a line that runs back

class Layout {
  readonly #pieces: ReadonlyMap<string, Piece>;
  readonly #order: ReadonlyMap<string, number>;
  readonly #ways: readonly Way[];
  readonly #column = new Map<string, number>();
  readonly #row = new Map<string, number>();
  readonly #band = new Map<string, Band>();
  readonly #taken: Record<Band, [number, number][][]> = { supply: [], return: [], overflow: [], tap: [] };
  readonly #tank: string | undefined;
  readonly #tankColumns: number;

  constructor(pieces: readonly Piece[], ways: readonly Way[]) {
    this.#pieces = new Map(pieces.map((p) => [p.id, p]));
    this.#order = new Map(pieces.map((p, i) => [p.id, i]));
    this.#tank = pieces.find((p) => p.isTank)?.id;
    this.#ways = ways.filter((w) => this.#pieces.has(w.from) && this.#pieces.has(w.to));
    const inside = pieces.filter((p) => p.isInTank && !p.isTap);
    // what the supply draws through first, then what returns into the tank
    const ranked = [...inside.filter((p) => p.line === 'supply'), ...inside.filter((p) => p.line !== 'supply')];
    ranked.forEach((p, i) => this.#put(p.id, p.line, i, 0));
    this.#tankColumns = this.#tank === undefined ? 0 : Math.max(ranked.length, 1);
  }

  lay(): LaidRun {
    const outside = [...this.#pieces.values()].filter((p) => !p.isTank && !p.isInTank && !p.isTap);
    const supply = outside.filter((p) => p.line === 'supply');
    for (const { id } of supply) {
      const before = this.#into(id).flatMap((from) => this.#column.get(from) ?? []);
      this.#column.set(id, Math.max(this.#tankColumns, ...before.map((c) => c + 1)));
    }
    this.#pushForReturns(outside);
    for (const chain of this.#chains(supply)) this.#placeChain(chain);
    for (const line of ['return', 'overflow'] as const)
      for (const chain of this.#chains(outside.filter((p) => p.line === line))) this.#placeBack(line, chain);
    for (const piece of this.#pieces.values()) if (piece.isTap && !piece.isTank) this.#placeTap(piece);
    const cells = new Map<string, Cell>();
    for (const [id, band] of this.#band)
      cells.set(id, { id, band, column: this.#column.get(id)!, row: this.#row.get(id)! });
    const columns = Math.max(this.#tankColumns, ...[...this.#column.values()].map((c) => c + 1));
    const rows = (band: Band) => Math.max(0, ...[...cells.values()].flatMap((c) => (c.band === band ? c.row + 1 : [])));
    return {
      cells,
      tank: this.#tank,
      tankColumns: this.#tankColumns,
      columns,
      rows: { supply: rows('supply'), return: rows('return'), overflow: rows('overflow'), tap: rows('tap') },
    };
  }

  #put(id: string, band: Band, column: number, row: number): void {
    this.#band.set(id, band);
    this.#column.set(id, column);
    this.#row.set(id, row);
  }
  #out(id: string): string[] {
    return this.#ways.filter((w) => w.from === id).map((w) => w.to);
  }
  #into(id: string): string[] {
    return this.#ways.filter((w) => w.to === id).map((w) => w.from);
  }

  /** Parts as paths that follow each other: the longest first, then what branches off, in the order of the fuel. */
  #chains(pieces: readonly Piece[]): string[][] {
    const ids = pieces.map((p) => p.id);
    const own = new Set(ids);
    const onward = (id: string) =>
      this.#out(id).filter((to) => own.has(to) && this.#order.get(to)! > this.#order.get(id)!);
    const length = new Map<string, number>();
    for (const id of [...ids].reverse()) length.set(id, 1 + Math.max(0, ...onward(id).map((to) => length.get(to)!)));
    const placed = new Set<string>();
    const chains: string[][] = [];
    // the longest way from anywhere comes first: it is the main path
    for (const start of [...ids].sort((a, b) => length.get(b)! - length.get(a)!)) {
      if (placed.has(start)) continue;
      const chain: string[] = [];
      for (let at: string | undefined = start; at !== undefined;) {
        chain.push(at);
        placed.add(at);
        at = onward(at)
          .filter((to) => !placed.has(to))
          .reduce<string | undefined>(
            (best, to) => (best === undefined || length.get(to)! > length.get(best)! ? to : best),
            undefined,
          );
      }
      chains.push(chain);
    }
    return chains;
  }

  /** Pushes the supply out where a return would not have room between the spill and the tank. */
  #pushForReturns(outside: readonly Piece[]): void {
    for (const line of ['return', 'overflow'] as const)
      for (const chain of this.#chains(outside.filter((p) => p.line === line))) {
        const spill = this.#into(chain[0]!).find((id) => this.#column.has(id));
        if (spill === undefined || this.#pieces.get(spill)!.isInTank) continue;
        const from = this.#column.get(spill)!;
        const room = from + 0.5 - this.#wall(this.#out(chain.at(-1)!)[0], from);
        const push = chain.length * LEAST_STEP - room;
        if (push <= 0) continue;
        for (const [id, column] of this.#column) if (column >= from) this.#column.set(id, column + push);
      }
  }

  /** Where a line that runs back ends: the tank's wall, or the middle of the part it runs into. */
  #wall(into: string | undefined, before: number): number {
    const piece = into === undefined ? undefined : this.#pieces.get(into);
    if (!piece || piece.isTank || piece.isInTank) return this.#tankColumns;
    const column = this.#column.get(into!);
    return column !== undefined && column < before ? column + 0.5 : this.#tankColumns;
  }

  #placeChain(chain: readonly string[]): void {
    const [first, last] = [chain[0]!, chain.at(-1)!];
    const before = this.#into(first).flatMap((id) => (this.#band.has(id) ? [this.#column.get(id)!] : []));
    const behind = this.#out(last).flatMap((id) => (this.#band.has(id) ? [this.#column.get(id)!] : []));
    const low = Math.min(this.#column.get(first)! - 0.5, ...before.map((c) => c + 0.5));
    const high = Math.max(this.#column.get(last)! + 0.5, ...behind.map((c) => c - 0.5));
    const row = this.#freeRow('supply', low, high);
    for (const id of chain) this.#put(id, 'supply', this.#column.get(id)!, row);
  }

  /** Parts of a line that runs back, spread between where it comes from and where it ends. */
  #placeBack(line: 'return' | 'overflow', chain: readonly string[]): void {
    const source = this.#into(chain[0]!).find((id) => this.#column.has(id));
    const most = Math.max(this.#tankColumns, ...this.#column.values()) + 1;
    const from = source === undefined ? most : this.#column.get(source)! + 0.5;
    const into = this.#out(chain.at(-1)!)[0];
    const to = this.#wall(into, from);
    const start = Math.max(from, to + chain.length * LEAST_STEP);
    const step = (start - to) / chain.length;
    const row = this.#freeRow(line, to, start);
    chain.forEach((id, i) => this.#put(id, line, start - step * (i + 0.5) - 0.5, row));
  }

  /** Above what it sits on where that is on the main path, else in the next free row below. */
  #placeTap(piece: Piece): void {
    const host = [...this.#into(piece.id), ...this.#out(piece.id)].find((id) => this.#column.has(id));
    const own = this.#band.get(host ?? '');
    const column = host === undefined ? this.#tankColumns : this.#column.get(host)!;
    if (own === 'supply' && this.#row.get(host!) !== 0) {
      this.#put(piece.id, 'supply', column, this.#freeRow('supply', column - 0.5, column + 0.5));
      return;
    }
    if (own === 'return') {
      // what lies in the tank takes no row of its own, but an instrument on it must not cover it
      if (this.#pieces.get(host!)!.isInTank) this.#take('return', 0, column - 0.5, column + 0.5);
      this.#put(piece.id, 'return', column, this.#freeRow('return', column - 0.5, column + 0.5));
      return;
    }
    this.#put(piece.id, 'tap', column, this.#freeRow('tap', column - 0.5, column + 0.5));
  }

  #take(band: Band, row: number, low: number, high: number): void {
    (this.#taken[band][row] ??= []).push([low, high]);
  }

  /** The first row of a band in which nothing stands or passes there, and takes it. */
  #freeRow(band: Band, low: number, high: number): number {
    for (let row = 0; ; row++) {
      const taken = this.#taken[band][row] ?? [];
      if (taken.some(([a, b]) => high > a + 1e-9 && low < b - 1e-9)) continue;
      this.#take(band, row, low, high);
      return row;
    }
  }
}
