import { rapidSeconds } from '../../physics/holes/cycle-time.ts';
import type { ShopRates } from '../../crib/shop-rates.ts';
import type { JudgedJob, JudgedOperation, JudgedSetup } from './judged-job.ts';
import { transferMinutes } from './transfer.ts';
import { plannedEdge } from './planned-edge.ts';

/** What minutes go into; the order is the one they are told in. */
export const BLOCKS = [
  'cutting',
  'linking',
  'tool changes',
  'edge changes',
  'loading',
  'probing',
  'setting up',
  'first piece',
] as const;
export type Block = (typeof BLOCKS)[number];

/** A stretch of one load, in order: for a timeline. */
export interface Stretch {
  readonly block: Block;
  readonly label: string;
  readonly operationId: string | null;
  readonly minutes: number;
}

export interface OperationMinutes {
  readonly id: string;
  readonly cutting: number;
  readonly linking: number;
  /** Its share of edge changes, minutes a part. */
  readonly edgeChanges: number;
  /** Edges used up a part. */
  readonly edges: number;
}

export interface SetupMinutes {
  readonly id: string;
  readonly name: string;
  readonly partsPerLoad: number;
  /** Tools put into the spindle for one load. */
  readonly changes: number;
  /** The same in the other order. */
  readonly changesOtherwise: number;
  readonly oneChangeMin: number;
  readonly perPart: number;
  /** Once a batch: setting up and what the first piece takes longer. */
  readonly once: number;
  readonly batch: number;
  /** One load from closing the door to closing it again. */
  readonly timeline: readonly Stretch[];
}

export interface JobMinutes {
  readonly operations: Readonly<Record<string, OperationMinutes>>;
  readonly setups: readonly SetupMinutes[];
  /** Of one part in all its setups, with its share of loads, without what happens once a batch. */
  readonly perPart: number;
  /** Of them without anybody in front of the machine: cutting, linking and changing tools. */
  readonly runningPerPart: number;
  /** Blanks that go in: the quantity and the spares. */
  readonly blanks: number;
  readonly batch: number;
  /** Minutes of the batch by what they go into, largest first. */
  readonly blocks: readonly { readonly block: Block; readonly minutes: number; readonly share: number }[];
}

/** From the work to the change position and back, mm. */
const CHANGE_WAY = 250;

/** Tools put into the spindle when a sequence runs once, the last tool of the time before still in it. */
function loadsOf(tools: readonly string[]): number {
  return tools.filter((t, i) => t !== (i === 0 ? tools[tools.length - 1] : tools[i - 1])).length;
}

/** Changes of one load: each tool cuts all parts, or each part is finished before the next. */
export function changesOfLoad(tools: readonly string[], parts: number, order: 'by-tool' | 'by-part'): number {
  return order === 'by-tool' ? loadsOf(tools) : loadsOf(Array.from({ length: parts }, () => tools).flat());
}

/** Minutes of one tool change, chip to chip: away and back at rapid with acceleration, the arm, the spindle up. */
export function changeMinutes({ machine }: JudgedOperation['context'], rates: ShopRates): number {
  const { x, y, z } = machine.axes;
  const away = Math.max(
    rapidSeconds(CHANGE_WAY, x),
    rapidSeconds(CHANGE_WAY, y ?? x),
    rapidSeconds(CHANGE_WAY, z),
  );
  return (machine.tool_change_s + 2 * away + rates.chipToChipS) / 60;
}

export function operationMinutes(o: JudgedOperation, rates: ShopRates): OperationMinutes {
  const n = o.document.featuresPerPart;
  const edges = plannedEdge(o).perPart;
  return {
    id: o.id,
    cutting: o.evaluation.time.cutting * n,
    linking: o.evaluation.time.linking * n,
    edges,
    edgeChanges: edges * (o.document.economics.edgeChangeMin ?? rates.edgeChangeMin),
  };
}

function setupMinutes(setup: JudgedSetup, rates: ShopRates, blanks: number): SetupMinutes {
  const { operations, plan } = setup;
  const parts = Math.max(1, plan.partsPerLoad);
  const own = operations.map((o) => operationMinutes(o, rates));
  const tools = operations.map((o) => o.document.tooling.cutterId);
  const [first] = operations;
  const oneChangeMin = first ? changeMinutes(first.context, rates) : 0;
  const changes = changesOfLoad(tools, parts, plan.order);
  const timeline: Stretch[] = [];
  const put = (block: Block, label: string, minutes: number, operationId: string | null = null): void => {
    if (minutes > 0) timeline.push({ block, label, operationId, minutes });
  };
  if (first && plan.takenOver)
    put('loading', 'Taken over by the sub-spindle', transferMinutes(first.context.machine) * parts);
  else if (first) put('loading', 'Load', rates.loadMin * parts);
  // By part, the sequence is shown once and stands for every part of the load.
  const perSequence = plan.order === 'by-tool' ? 1 : parts;
  operations.forEach((o, i) => {
    const before = i === 0 ? tools[tools.length - 1] : tools[i - 1];
    if (tools[i] !== before)
      put('tool changes', `To ${o.context.cutter.name}`, oneChangeMin * perSequence, o.id);
    put('cutting', o.name, own[i]!.cutting * parts, o.id);
    put('linking', o.name, own[i]!.linking * parts, o.id);
    put('edge changes', `Edge of ${o.context.cutter.name}`, own[i]!.edgeChanges * parts, o.id);
  });
  if (operations.length > 0) put('probing', 'Probe', rates.probeMin * parts);
  const load = timeline.reduce((sum, t) => sum + t.minutes, 0);
  const run = own.reduce((sum, m) => sum + m.cutting + m.linking, 0);
  const once = operations.length > 0 ? rates.setupMin + (rates.proveOutFactor - 1) * run : 0;
  return {
    id: setup.id,
    name: setup.name,
    partsPerLoad: parts,
    changes,
    changesOtherwise: changesOfLoad(tools, parts, plan.order === 'by-tool' ? 'by-part' : 'by-tool'),
    oneChangeMin,
    perPart: load / parts,
    once,
    batch: once + (load / parts) * blanks,
    timeline,
  };
}

/** Minutes of a job: a part, each setup, the batch, and what they go into. */
export function jobMinutes(job: JudgedJob): JobMinutes {
  const { rates, plan } = job;
  const blanks = job.quantity + plan.spares;
  const setups = job.setups.map((s) => setupMinutes(s, rates, blanks));
  const totals = new Map<Block, number>(BLOCKS.map((b) => [b, 0]));
  const add = (block: Block, minutes: number) => totals.set(block, totals.get(block)! + minutes);
  for (const s of setups) {
    for (const t of s.timeline) add(t.block, (t.minutes / s.partsPerLoad) * blanks);
    if (s.once > 0) {
      add('setting up', rates.setupMin);
      add('first piece', s.once - rates.setupMin);
    }
  }
  const batch = setups.reduce((sum, s) => sum + s.batch, 0);
  const running: readonly Block[] = ['cutting', 'linking', 'tool changes'];
  return {
    operations: Object.fromEntries(
      job.setups.flatMap((s) => s.operations.map((o) => [o.id, operationMinutes(o, rates)] as const)),
    ),
    setups,
    perPart: setups.reduce((sum, s) => sum + s.perPart, 0),
    runningPerPart: setups.reduce(
      (sum, s) =>
        sum +
        s.timeline.filter((t) => running.includes(t.block)).reduce((n, t) => n + t.minutes, 0) /
          s.partsPerLoad,
      0,
    ),
    blanks,
    batch,
    blocks: [...totals]
      .map(([block, minutes]) => ({ block, minutes, share: minutes / Math.max(1e-9, batch) }))
      .filter((b) => b.minutes > 0)
      .sort((a, b) => b.minutes - a.minutes),
  };
}
