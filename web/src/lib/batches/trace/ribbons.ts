import type { Schemas } from '../../api/client';

type Trace = Schemas['TraceOut'];

export interface Box {
  key: string;
  y: number;
  h: number;
}

export interface Ribbon {
  from: string;
  to: string;
  /** The upper edges where it leaves and where it comes in, and its thickness at both ends. */
  y1: number;
  y2: number;
  h1: number;
  h2: number;
  lot_id: number | null;
  mass_g: number;
}

export interface Drawing {
  lots: Box[];
  batches: Box[];
  places: Box[];
  ribbons: Ribbon[];
  height: number;
}

const LEAST = 3;
const lotKey = (id: number): string => `lot ${id}`;
const batchKey = (id: number): string => `batch ${id}`;

/** Lays a trace out in three columns of layers, with ribbons as thick as their grams. */
export function drawn(trace: Trace, height: number, gap: number): Drawing {
  const from = trace.links.filter((l) => l.lot_id !== null);
  const to = trace.links.filter((l) => l.lot_id === null);
  const sum = (keys: readonly string[], of: (l: Schemas['Link']) => string, links: typeof from): number[] =>
    keys.map((k) => links.filter((l) => of(l) === k).reduce((g, l) => g + l.mass_g, 0));
  const lots = trace.lots.map((l) => lotKey(l.id));
  const batches = trace.batches.map((b) => batchKey(b.id));
  const masses = {
    lots: sum(lots, (l) => lotKey(l.lot_id!), from),
    batches: trace.batches.map((b) => Math.max(b.in_g, b.made_g)),
    places: sum(trace.places, (l) => l.place, to)
  };
  const most = Math.max(...Object.values(masses).map((m) => m.reduce((a, b) => a + b, 0)), 1);
  const rows = Math.max(lots.length, batches.length, trace.places.length);
  const perGram = Math.max(0.0001, (height - gap * rows) / most);
  const columns = {
    lots: stacked(lots, masses.lots, perGram, gap),
    batches: stacked(batches, masses.batches, perGram, gap),
    places: stacked(trace.places, masses.places, perGram, gap)
  };
  const ribbons = [
    ...flowing(from, columns.lots, columns.batches, perGram, (l) => [
      lotKey(l.lot_id!),
      batchKey(l.batch_id)
    ]),
    ...flowing(to, columns.batches, columns.places, perGram, (l) => [batchKey(l.batch_id), l.place])
  ];
  const foot = Math.max(...Object.values(columns).map((c) => (c.at(-1)?.y ?? 0) + (c.at(-1)?.h ?? 0)));
  return { ...columns, ribbons, height: Math.max(foot, 40) };
}

function stacked(keys: readonly string[], masses: readonly number[], perGram: number, gap: number): Box[] {
  let y = 0;
  return keys.map((key, n) => {
    const h = Math.max(LEAST, masses[n]! * perGram);
    const box = { key, y, h };
    y += Math.max(h, 14) + gap;
    return box;
  });
}

function flowing(
  links: readonly Schemas['Link'][],
  left: readonly Box[],
  right: readonly Box[],
  perGram: number,
  ends: (link: Schemas['Link']) => [string, string]
): Ribbon[] {
  const out = new Map<string, number>();
  const into = new Map<string, number>();
  return links.map((link) => {
    const [a, b] = ends(link);
    const [from, to] = [left.find((x) => x.key === a)!, right.find((x) => x.key === b)!];
    const h = Math.max(0.6, link.mass_g * perGram);
    const [used, come] = [out.get(a) ?? 0, into.get(b) ?? 0];
    out.set(a, used + h);
    into.set(b, come + h);
    return {
      from: a,
      to: b,
      y1: from.y + used,
      y2: to.y + come,
      h1: h,
      h2: h,
      lot_id: link.lot_id,
      mass_g: link.mass_g
    };
  });
}

/** The outline of a ribbon between two columns. */
export function outline(r: Ribbon, x1: number, x2: number): string {
  const mid = (x1 + x2) / 2;
  const [below1, below2] = [r.y1 + r.h1, r.y2 + r.h2];
  const there = `C${mid} ${r.y1} ${mid} ${r.y2} ${x2} ${r.y2}`;
  const back = `C${mid} ${below2} ${mid} ${below1} ${x1} ${below1}`;
  return `M${x1} ${r.y1}${there}L${x2} ${below2}${back}Z`;
}
