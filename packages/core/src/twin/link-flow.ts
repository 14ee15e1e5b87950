import { leaving, Passage } from './flow';
import type { FluidTable } from './fluid-table';
import type { Compressor, Link, LinkFlow, Passing, Pipe } from './link';
import { suctionLine } from './suction-line';
import { nudge, piped, pumped } from './piped-and-pumped';
import type { VolumeState } from './volume-state';

/** @param guess Pa of suction in the step before */
export function linkFlow(table: FluidTable, link: Link, states: readonly VolumeState[], guess: number | undefined): LinkFlow {
  switch (link.kind) {
    case 'pipe':
      return pipeFlow(table, link, states);
    case 'compressor':
      return compressorFlow(table, link, states);
    case 'machine':
      return suctionLine(table, link, states, guess);
    default:
      return link satisfies never;
  }
}

function twoEnds({ from, to }: { readonly from: number; readonly to: number }, of: (pFrom: number, pTo: number) => number) {
  return (a: number, b: number, passing: Passing, work: number): LinkFlow => {
    const flow = of(a, b);
    const [da, db] = [nudge(a), nudge(b)];
    const [byFrom, byTo] = [(of(a + da, b) - flow) / da, (of(a, b + db) - flow) / db];
    return {
      ends: [from, to],
      mass: Float64Array.of(-flow, flow),
      slopes: Float64Array.of(-byFrom, -byTo, byFrom, byTo),
      passing: [passing],
      work,
    };
  };
}

function pipeFlow(table: FluidTable, link: Pipe, states: readonly VolumeState[]): LinkFlow {
  const [from, to] = [states[link.from]!, states[link.to]!];
  const [there, back] = [leaving(table, from, link.port), link.oneWay ? undefined : leaving(table, to, link.port)];
  const { area, loss } = link.line;
  const [down, up] = [new Passage(there, loss), back === undefined ? undefined : new Passage(back, loss)];
  const of = (a: number, b: number) => (a >= b || up === undefined ? piped(down, area, a, b) : -piped(up, area, b, a));
  return twoEnds(link, of)(from.p, to.p, from.p >= to.p || back === undefined ? there : back, 0);
}

function compressorFlow(table: FluidTable, link: Compressor, states: readonly VolumeState[]): LinkFlow {
  const [from, to] = [states[link.from]!, states[link.to]!];
  const out = leaving(table, from, link.port);
  const of = (a: number, b: number) => pumped(link.pump, out, a, b).mass;
  return twoEnds(link, of)(from.p, to.p, out, pumped(link.pump, out, from.p, to.p).work);
}
