import { digestOf } from '../../attachments/attachment.ts';
import type { Attachments, Document } from './document.ts';

type Old = Document & { id: string; kind: string };
interface End {
  part: string;
  port: string;
}
const list = (value: unknown): Old[] =>
  Array.isArray(value) ? (value.filter((v) => typeof v === 'object' && v !== null) as Old[]) : [];

/** Places in the layout, by the names that version 2's own layouts gave their parts. */
const roleOfLabel: Record<string, string> = {
  'Lift pump': 'liftPump',
  'Lift hose': 'liftHose',
  'Pot outlet hose': 'potHose',
  'Hanger hose': 'hangerHose',
  'Fine filter': 'fineFilter',
  'Feed line': 'feedLine',
  'Engine feed hose': 'engineHose',
  'Carburettor hose': 'carburettorHose',
  'Regulator hose': 'regulatorHose',
  'Return line': 'returnLine',
  'Return hose': 'returnHose',
};

// what version 2 reckoned with where nothing was measured
const TYPICAL_BRANCH = { length: { si: 0.35, unit: 'mm' }, bore: { si: 0.0079, unit: 'mm' } };
const TYPICAL_OVERFLOW = { length: { si: 1.5, unit: 'mm' }, bore: { si: 0.008, unit: 'mm' } };

/**
 * Version 2 held the run as two ordered lists, with branches as properties of a rail, pumps `beside` the one before, and joints as
 * properties of the part behind them. Version 3 holds parts and joints by id; meshes became attachments.
 */
export function toVersion3(document: Document): { document: Document; attachments: Attachments } {
  const { run, overrules, ...rest } = document;
  const { supply, return: back, returnTo, spare } = (run ?? {}) as Document;
  const builder = new Builder([...list(supply), ...list(back), ...list(spare)]);
  builder.lay(list(supply), list(back), typeof returnTo === 'string' ? returnTo : 'tank');
  builder.seal();
  for (const part of list(spare)) builder.setAside(part);
  const { survey, attachments } = withoutMesh((rest.survey ?? {}) as Document);
  return {
    document: {
      ...rest,
      schemaVersion: 3,
      ...(rest.survey === undefined ? {} : { survey }),
      ...(run === undefined ? {} : { parts: builder.parts, joints: builder.joints }),
      overrules: Object.fromEntries(
        list(overrules).map(({ snag, reason, at }) => [snag, { reason, at }] as [unknown, unknown]) as never,
      ),
    },
    attachments,
  };
}

function withoutMesh(survey: Document): { survey: Document; attachments: Attachments } {
  const tank = survey.tank as Document | undefined;
  const mesh = tank?.mesh as (Document & { name: string; triangles: number; turned?: boolean }) | undefined;
  if (!mesh) return { survey, attachments: {} };
  const text = JSON.stringify(mesh);
  const digest = digestOf(text);
  const { name, triangles, turned } = mesh;
  return {
    survey: { ...survey, tank: { ...tank, mesh: { digest, name, triangles, ...(turned ? { turned } : {}) } } },
    attachments: { [digest]: text },
  };
}

class Builder {
  readonly parts: Record<string, Document> = {};
  readonly joints: Record<string, Document> = {};
  readonly #taken: Set<string>;
  #tank: string | undefined;
  #pot: string | undefined;
  #spill: string | undefined;
  #clamps = new Map<string, unknown>();
  #sealants = new Map<string, unknown>();
  #heights = new Map<string, unknown>();

  constructor(all: readonly Old[]) {
    this.#taken = new Set(all.map((p) => p.id));
  }

  #fresh(stem: string): string {
    let n = 1;
    while (this.#taken.has(`${stem}-${n}`)) n++;
    this.#taken.add(`${stem}-${n}`);
    return `${stem}-${n}`;
  }

  #put(part: Document & { id: string }): void {
    this.parts[part.id] = Object.fromEntries(Object.entries(part).filter(([, value]) => value !== undefined));
  }

  #join(a: End | undefined, b: End | undefined): void {
    if (!a || !b) return;
    const clamp = this.#clamps.get(a.part) ?? this.#clamps.get(b.part);
    const sealant = this.#sealants.get(`${b.part}.${b.port}`);
    const height = this.#heights.get(`${a.part}.${a.port}`);
    const stem = `${b.part}-${b.port}`.slice(0, 36);
    let id = stem;
    for (let n = 2; id in this.joints; n++) id = `${stem}-${n}`;
    this.joints[id] = {
      id,
      a,
      b,
      ...(sealant === undefined ? {} : { sealant }),
      ...(clamp === undefined ? {} : { clamp }),
      ...(height === undefined ? {} : { height }),
    };
  }

  /** A part as version 3 has it, with what stood on it for its ports and joints remembered. */
  #make(old: Old, kind: string, inlet: string, outlet: string | undefined, more: Document = {}): void {
    const { inletPort, outletPort, inletSealant, outletHeight, clamp, beside: _beside, ...rest } = old;
    const ports = {
      ...(inletPort === undefined ? {} : { [inlet]: { fitting: inletPort } }),
      ...(outletPort === undefined || outlet === undefined ? {} : { [outlet]: { fitting: outletPort } }),
      ...(more.ports as Document | undefined),
    };
    if (clamp !== undefined) this.#clamps.set(old.id, clamp);
    if (inletSealant !== undefined) this.#sealants.set(`${old.id}.${inlet}`, inletSealant);
    if (outletHeight !== undefined) this.#heights.set(`${old.id}.${outlet ?? inlet}`, outletHeight);
    const role = more.role ?? roleOfLabel[typeof old.label === 'string' ? old.label : ''];
    this.#put({
      ...rest,
      ...more,
      kind,
      id: old.id,
      ...(role === undefined ? {} : { role }),
      ports: Object.keys(ports).length > 0 ? ports : undefined,
    });
  }

  /** One part of a line; returns where fuel goes on. */
  #through(old: Old, at: End | undefined, more: Document = {}): End {
    const [kind, inlet, outlet] = plainEnds(old);
    const { shape, lossCoefficient, ...fitting } = old;
    if (old.kind === 'fitting' && kind !== 'fitting') this.#make(fitting, kind, inlet, outlet, more);
    else this.#make({ ...old, shape, lossCoefficient }, kind, inlet, outlet, more);
    this.#join(at, { part: old.id, port: inlet });
    return { part: old.id, port: outlet };
  }

  lay(supply: readonly Old[], back: readonly Old[], returnTo: string): void {
    let at: End | undefined;
    let sensors: Old[] = [];
    const isLast = (i: number) => supply.slice(i + 1).every((p) => p.kind === 'pressureSensor');
    const pot = supply.findIndex((p) => p.kind === 'swirlPot');
    for (let i = 0; i < supply.length; i++) {
      const old = supply[i]!;
      switch (old.kind) {
        case 'tank': {
          this.#tank ??= old.id;
          this.#make(old, 'tank', 'pickup-1', 'pickup-1');
          at = { part: old.id, port: 'pickup-1' };
          break;
        }
        case 'pump': {
          const group = [old];
          while (supply[i + 1]?.kind === 'pump' && supply[i + 1]!.beside === true) group.push(supply[++i]!);
          at = this.#pumps(group, at, i < pot ? 'liftPump' : 'feedPump');
          break;
        }
        case 'rail':
          at = this.#rails(old, at, isLast(i));
          for (const sensor of sensors) this.#screwIn(sensor, old.id);
          sensors = [];
          break;
        case 'carburettor':
          this.#make(old, 'carburettor', 'in', undefined);
          this.#join(at, { part: old.id, port: 'in' });
          at = undefined;
          break;
        case 'regulator':
          at = this.#regulator(old, at);
          break;
        case 'swirlPot':
          at = this.#swirlPot(old, at);
          break;
        case 'pressureSensor':
          if (old.onRail === true && supply.slice(i).some((p) => p.kind === 'rail')) sensors.push(old);
          else if (old.onRail === true && supply.slice(0, i).some((p) => p.kind === 'rail'))
            this.#screwIn(old, supply.find((p) => p.kind === 'rail')!.id);
          else at = this.#inLine(old, at);
          break;
        default:
          at = this.#through(old, at);
      }
    }
    for (const sensor of sensors) this.#inLine(sensor, undefined);
    this.#layReturn(back, returnTo);
  }

  #layReturn(back: readonly Old[], returnTo: string): void {
    if (back.length === 0) return;
    let at: End | undefined = this.#spill === undefined ? undefined : { part: this.#spill, port: 'return' };
    for (const old of back) {
      if (old.kind === 'pump') at = this.#pumps([old], at, undefined);
      else if (old.kind === 'regulator') at = this.#regulator(old, at);
      else if (old.kind === 'rail') at = this.#rails(old, at, false);
      else if (
        old.kind === 'carburettor' ||
        old.kind === 'tank' ||
        old.kind === 'pressureSensor' ||
        old.kind === 'swirlPot'
      )
        this.#make(old, old.kind, 'in', undefined, old.kind === 'pressureSensor' ? { onRail: undefined } : {});
      else at = this.#through(old, at);
    }
    if (returnTo === 'supply') this.#intoSupply(at);
    else if (returnTo === 'pot' && this.#pot) this.#join(at, { part: this.#pot, port: 'return' });
    else if (returnTo !== 'pot' && this.#tank) this.#join(at, { part: this.#tank, port: 'return-1' });
  }

  /** The blunder of a return led into the supply: by a tee in its first joint. */
  #intoSupply(at: End | undefined): void {
    const first = Object.values(this.joints)[0] as { id: string; a: End; b: End } | undefined;
    if (!first || !at) return;
    const tee = this.#fresh('tee');
    this.#put({ id: tee, kind: 'tee' });
    this.joints[first.id] = { ...first, b: { part: tee, port: 'a' } };
    this.#join({ part: tee, port: 'b' }, first.b);
    this.#join(at, { part: tee, port: 'branch' });
  }

  #pumps(group: readonly Old[], at: End | undefined, role: string | undefined): End {
    const more = role === undefined ? {} : { role };
    const [first] = group;
    if (group.length === 1) {
      this.#make(first!, 'pump', 'in', 'out', more);
      this.#join(at, { part: first!.id, port: 'in' });
      return { part: first!.id, port: 'out' };
    }
    const [split, stem, legs] = this.#junction(group.length);
    const [merge, end] = this.#junction(group.length);
    this.#join(at, { part: split, port: stem });
    group.forEach((old, i) => {
      this.#make(old, 'pump', 'in', 'out', more);
      this.#join({ part: split, port: legs[i]! }, { part: old.id, port: 'in' });
      this.#join({ part: old.id, port: 'out' }, { part: merge, port: legs[i]! });
    });
    return { part: merge, port: end };
  }

  /** What several lines meet in; its bore is not known, so that it takes no pressure of its own. */
  #junction(ways: number): [id: string, stem: string, legs: string[]] {
    if (ways === 2) {
      const id = this.#fresh('y');
      this.#put({ id, kind: 'y' });
      return [id, 'stem', ['left', 'right']];
    }
    const id = this.#fresh('block');
    this.#put({ id, kind: 'block', ways: ways + 1 });
    return [id, 'port-1', Array.from({ length: ways }, (_, i) => `port-${i + 2}`)];
  }

  #regulator(old: Old, at: End | undefined): End {
    const { builtInRating, builtInFlow, builtInDrop, ...rest } = old;
    const combined = builtInRating !== undefined;
    this.#make(
      rest,
      combined ? 'filterRegulator' : 'regulator',
      'in',
      'out',
      combined ? { rating: builtInRating, ratedFlow: builtInFlow, ratedDrop: builtInDrop } : {},
    );
    if (old.action !== 'deadHead') this.#spill ??= old.id;
    this.#join(at, { part: old.id, port: 'in' });
    return { part: old.id, port: 'out' };
  }

  #swirlPot(old: Old, at: End | undefined): End {
    const { overflowBore, overflowLength, ...rest } = old;
    this.#pot ??= old.id;
    this.#make(rest, 'swirlPot', 'lift', 'feed');
    this.#join(at, { part: old.id, port: 'lift' });
    const hose = this.#fresh('hose');
    const typical = overflowBore === undefined || overflowLength === undefined;
    this.#put({
      id: hose,
      kind: 'hose',
      role: 'overflowHose',
      length: overflowLength ?? TYPICAL_OVERFLOW.length,
      bore: overflowBore ?? TYPICAL_OVERFLOW.bore,
      ...(typical ? { note: 'Length or bore are typical: measure them.' } : {}),
    });
    this.#join({ part: old.id, port: 'overflow' }, { part: hose, port: 'in' });
    if (this.#tank) this.#join({ part: hose, port: 'out' }, { part: this.#tank, port: 'overflow-1' });
    return { part: old.id, port: 'feed' };
  }

  #screwIn(old: Old, rail: string): void {
    this.#make(old, 'pressureSensor', 'port', 'port', { onRail: undefined });
    const part = this.parts[rail]!;
    const ports = (part.ports ?? {}) as Document;
    let n = 1;
    while (`side-${n}` in ports) n++;
    this.parts[rail] = { ...part, ports: { ...ports, [`side-${n}`]: {} } };
    this.#join({ part: rail, port: `side-${n}` }, { part: old.id, port: 'port' });
  }

  #inLine(old: Old, at: End | undefined): End | undefined {
    this.#make(old, 'pressureSensor', 'port', 'port', { onRail: undefined });
    if (!at) return at;
    const tee = this.#fresh('tee');
    this.#put({ id: tee, kind: 'tee' });
    this.#join(at, { part: tee, port: 'a' });
    this.#join({ part: tee, port: 'branch' }, { part: old.id, port: 'port' });
    return { part: tee, port: 'b' };
  }

  /** One rail, or two with the hoses and the Y, tee or block that fed them; its left-over ports by name. */
  #rails(old: Old, at: End | undefined, isLast: boolean): End | undefined {
    const { feed, splitter, branchLength, branchBore, unusedPorts, closedPorts, injectors, ...rest } = old;
    const two = feed === 'series' || feed === 'parallel' || feed === 'crossover';
    const total = typeof injectors === 'number' ? injectors : undefined;
    const half = (n: number | undefined, up: boolean) =>
      n === undefined ? undefined : up ? Math.ceil(n / 2) : Math.floor(n / 2);
    this.#make(rest, 'rail', 'in', 'out', { injectors: two ? half(total, true) : total });
    const first = old.id;
    let entry: End = { part: first, port: 'in' };
    let end: End = { part: first, port: 'out' };
    if (two) {
      const second = this.#fresh('rail');
      this.#put({
        id: second,
        kind: 'rail',
        label: typeof old.label === 'string' ? `${old.label}, second`.slice(0, 60) : undefined,
        injectors: half(total, false),
        bore: old.bore,
        length: old.length,
      });
      const branch = (from: End, to: End) => {
        const hose = this.#fresh('hose');
        const typical = branchLength === undefined || branchBore === undefined;
        this.#put({
          id: hose,
          kind: 'hose',
          role: 'branchHose',
          length: branchLength ?? TYPICAL_BRANCH.length,
          bore: branchBore ?? TYPICAL_BRANCH.bore,
          ...(typical ? { note: 'Length or bore are typical: measure them.' } : {}),
        });
        this.#join(from, { part: hose, port: 'in' });
        this.#join({ part: hose, port: 'out' }, to);
      };
      if (feed === 'series') {
        this.#join(at, entry);
        branch(end, { part: second, port: 'in' });
        end = { part: second, port: 'out' };
        at = undefined;
      } else if (feed === 'parallel') {
        const [split, splitStem, splitLegs] = this.#splitter(splitter, branchBore);
        const [merge, mergeStem, mergeLegs] = this.#splitter(splitter, branchBore);
        [first, second].forEach((rail, i) => {
          branch({ part: split, port: splitLegs[i]! }, { part: rail, port: 'in' });
          branch({ part: rail, port: 'out' }, { part: merge, port: mergeLegs[i]! });
        });
        entry = { part: split, port: splitStem };
        end = { part: merge, port: mergeStem };
      } else {
        const tee = this.#fresh('tee');
        this.#put({ id: tee, kind: 'tee', bore: old.bore });
        this.#join({ part: tee, port: 'b' }, { part: first, port: 'in' });
        branch({ part: tee, port: 'branch' }, { part: second, port: 'in' });
        this.#setPort(second, 'out', { closed: 'plugged' });
        entry = { part: tee, port: 'a' };
      }
    }
    if (at) this.#join(at, entry);
    this.#leftOver(first, end, isLast, unusedPorts, closedPorts);
    return isLast ? undefined : end;
  }

  #splitter(splitter: unknown, bore: unknown): [string, string, string[]] {
    const kind = splitter === 'tee' ? 'tee' : splitter === 'block' ? 'block' : 'y';
    const id = this.#fresh(kind);
    this.#put({ id, kind, bore: bore ?? TYPICAL_BRANCH.bore, ...(kind === 'block' ? { ways: 3 } : {}) });
    if (kind === 'tee') return [id, 'branch', ['a', 'b']];
    return kind === 'y' ? [id, 'stem', ['left', 'right']] : [id, 'port-1', ['port-2', 'port-3']];
  }

  #setPort(part: string, port: string, state: Document): void {
    const ports = (this.parts[part]!.ports ?? {}) as Document;
    this.parts[part] = {
      ...this.parts[part]!,
      ports: { ...ports, [port]: { ...(ports[port] as Document), ...state } },
    };
  }

  /** Ports that were only counted get names: the far end first where the run stops at the rail, then side ports. */
  #leftOver(rail: string, end: End, isLast: boolean, unused: unknown, closed: unknown): void {
    const count = typeof unused === 'number' ? unused : 0;
    const capped = typeof closed === 'number' ? closed : 0;
    const places: End[] = isLast ? [end] : [];
    for (let n = 1; places.length < count; n++) places.push({ part: rail, port: `side-${n}` });
    places.forEach(({ part, port }, i) => {
      if (i < count) this.#setPort(part, port, i < capped ? { closed: 'capped' } : {});
      // no port was left over: then its end is blind
      else if (unused === 0) this.#setPort(part, port, { closed: 'plugged' });
    });
  }

  setAside(old: Old): void {
    const { clamp } = old;
    const note =
      clamp === undefined
        ? text(old.note)
        : [text(old.note), `Held by: ${text(clamp) ?? ''}.`].filter(Boolean).join(' ');
    const { clamp: _clamp, inletSealant: _sealant, outletHeight: _height, ...rest } = old;
    const plain = { ...rest, ...(note === undefined ? {} : { note: note.slice(0, 400) }) } as Old;
    switch (old.kind) {
      case 'rail':
        this.#rails(plain, undefined, true);
        break;
      case 'regulator':
        this.#regulator(plain, undefined);
        break;
      case 'swirlPot': {
        const { overflowBore: _bore, overflowLength: _length, ...pot } = plain;
        this.#make(pot, 'swirlPot', 'lift', 'feed');
        break;
      }
      case 'pressureSensor':
        this.#make(plain, 'pressureSensor', 'port', 'port', { onRail: undefined });
        break;
      case 'tank':
      case 'carburettor':
        this.#make(plain, old.kind, old.kind === 'tank' ? 'pickup-1' : 'in', undefined);
        break;
      default:
        this.#through(plain, undefined);
    }
    for (const [id, part] of Object.entries(this.parts))
      if (!this.#onRun.has(id)) this.parts[id] = { ...part, aside: true };
  }

  readonly #onRun = new Set<string>();
  /** Everything laid so far is on the run; what comes now is set aside. */
  seal(): void {
    for (const id of Object.keys(this.parts)) this.#onRun.add(id);
  }
}

function plainEnds(old: Old): [kind: string, inlet: string, outlet: string] {
  if (old.kind !== 'fitting') return [old.kind, 'in', 'out'];
  switch (old.shape) {
    case 'teeRun':
      return ['tee', 'a', 'b'];
    case 'teeBranch':
      return ['tee', 'a', 'branch'];
    case 'y':
      return ['y', 'stem', 'left'];
    case 'block':
      return ['block', 'port-1', 'port-2'];
    default:
      return ['fitting', 'in', 'out'];
  }
}

const text = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);
