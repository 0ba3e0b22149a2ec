import type { CombinationDetail, Crib } from '@burl/contract';
import {
  genericStructure,
  isPracticeSerial,
  madeOf,
  softModes,
  type TipKnowledge,
  tipKnowledge,
} from '@burl/core';
import { useMemo, useState } from 'react';
import { EarlierTips } from './earlier-tips.tsx';
import { MeasureCard } from './measure-card.tsx';
import { ResponseFiles } from './response-files.tsx';
import { SimulatedTap } from './simulated-tap.tsx';
import { TableDialog } from './table-dialog.tsx';
import { TipBasis } from './tip-basis.tsx';
import { completed, TipPreview } from './tip-preview.tsx';
import { TipResponse } from './tip-response.tsx';
import { type Axis, useTipRecords } from './use-tip-record.ts';

/** Least and most frequency that is drawn, Hz, and how far beyond the highest mode. */
const LEAST_HZ = 2000;
const MOST_HZ = 8000;
const BEYOND = 1.4;
const ROUND_HZ = 500;
/** Modes stiffer than this share of the softest are not listed. */
const LISTED = 0.03;

type Parts = Parameters<typeof tipKnowledge>[0];

/** Spindle, holder and tool of a combination; null when the crib lacks one. */
function partsOf(crib: Crib, c: CombinationDetail): Parts | null {
  const machine = crib.machines.find((e) => e.id === c.machineId)?.document;
  const holder = crib.holders.find((e) => e.id === c.holderId)?.document;
  const cutter = crib.cutters.find((e) => e.id === c.cutterId)?.document;
  const made = cutter && madeOf(cutter, crib.materials);
  return machine && holder && made ? { machine, holder, cutter, substrate: made.substrate } : null;
}

/** How the tip of a combination moves: measured, coupled, stated or guessed; tap tests in and out. */
export function TapPanel({
  combination,
  crib,
  edit,
}: {
  combination: CombinationDetail;
  crib: Crib;
  edit: boolean;
}) {
  const parts = useMemo(() => partsOf(crib, combination), [crib, combination]);
  const { stickOutMm, machineSerial } = combination;
  const knowledge = useMemo(
    () => parts && tipKnowledge(parts, stickOutMm, crib.resonance.tips, machineSerial),
    [parts, stickOutMm, machineSerial, crib.resonance.tips],
  );
  if (!parts || !knowledge)
    return <p role="alert">The crib lacks the machine, holder, cutter or its material.</p>;
  return <Tip combination={combination} parts={parts} knowledge={knowledge} edit={edit} />;
}

function Tip({
  combination,
  parts,
  knowledge,
  edit,
}: {
  combination: CombinationDetail;
  parts: Parts;
  knowledge: TipKnowledge;
  edit: boolean;
}) {
  const { stickOutMm, machineSerial } = combination;
  const [axis, setAxis] = useState<Axis>('x');
  const [tapping, setTapping] = useState<Axis | null>(null);
  const [entering, setEntering] = useState(false);
  const model = genericStructure(parts, stickOutMm);
  const records = useTipRecords(combination, model, setAxis);
  const { reading } = records;
  const record = combination.tips.find((t) => t.axis === axis);
  const modes = record?.modes ?? softModes(knowledge.structure, LISTED)[axis];
  const highest = Math.max(...modes.map((m) => m.hz));
  const toHz = Math.min(MOST_HZ, Math.max(LEAST_HZ, Math.ceil((BEYOND * highest) / ROUND_HZ) * ROUND_HZ));
  return (
    <div className="grid min-h-0 grid-cols-1 gap-3 lg:grid-cols-[minmax(0,1fr)_300px]">
      <TipResponse
        axis={axis}
        record={record}
        modes={modes}
        toHz={toHz}
        from={knowledge.from}
        onAxis={setAxis}
      />
      <div className="space-y-3">
        <TipBasis axis={axis} knowledge={knowledge} record={record} modes={modes} />
        {edit && (
          <MeasureCard
            axis={axis}
            practice={isPracticeSerial(machineSerial)}
            failed={records.failed}
            onTap={() => setTapping(axis)}
            onRead={(file) => records.read(file, axis)}
            onEnter={() => setEntering(true)}
          />
        )}
        {edit && <EarlierTips earlier={combination.earlier} onRestore={records.restore} />}
        {record?.receptance && (
          <ResponseFiles
            name={`${machineSerial}-${stickOutMm}mm-${axis}`}
            axis={axis}
            response={record.receptance}
          />
        )}
      </div>
      {entering && (
        <TableDialog
          axis={axis}
          start={modes}
          onClose={() => setEntering(false)}
          onKeep={(stated) => {
            setEntering(false);
            records.keep(axis, { modes: stated, receptance: null, misfit: null }, 'stated');
          }}
        />
      )}
      {reading && (
        <TipPreview
          reading={reading}
          model={model[reading.axis]}
          onClose={records.drop}
          onKeep={(kept) => records.keep(reading.axis, { ...reading, modes: kept }, reading.origin)}
        />
      )}
      {tapping && (
        <SimulatedTap
          parts={parts}
          combinationId={combination.id}
          stickOutMm={stickOutMm}
          axis={tapping}
          toHz={toHz}
          onClose={() => setTapping(null)}
          onKeep={(found) => {
            setTapping(null);
            const { modes: all } = completed(found, model[tapping]);
            records.keep(tapping, { ...found, modes: all }, found.origin);
          }}
        />
      )}
    </div>
  );
}
