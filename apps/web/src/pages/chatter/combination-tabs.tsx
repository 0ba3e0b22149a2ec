import type { CombinationDetail, Crib } from '@burl/contract';
import { formatMeasure, type ResonancePicture } from '@burl/core';
import { Tabs } from 'radix-ui';
import { useSearchParams } from 'react-router';
import { useSystem } from '../../frame/preferences.tsx';
import { question } from '../../workers/question.ts';
import { type Heavy, useHeavy } from '../../workers/use-heavy.ts';
import type { ChatterCut } from './chatter-cut.ts';
import { CombinationEdits } from './combination-edits.tsx';
import type { CutAsked } from './cut-asked.ts';
import { entryName } from './entry-name.ts';
import { LobesPanel, rangeOf } from './lobes-panel.tsx';
import { PlanPanel } from './plan-panel.tsx';
import { SlenderPanel } from './slender-panel.tsx';
import { SoundPanel } from './sound-panel.tsx';
import { TapPanel } from './tap-panel.tsx';
import { TestCutsPanel } from './test-cuts-panel.tsx';

const TABS = [
  ['tip', 'Tap test'],
  ['lobes', 'Lobes'],
  ['notebook', 'Test cuts'],
  ['sound', 'Sound'],
  ['plan', 'Plan'],
  ['slender', 'Bars and drills'],
] as const;
type Tab = (typeof TABS)[number][0];

/** The lobes of a cut, worked out while a tab shows them. */
function useLobes({ op, context }: ChatterCut, tab: Tab): Heavy<ResonancePicture> {
  const range = rangeOf(
    op.cut.speedRpm,
    Math.min(context.machine.max_rpm, context.cutter.properties.RPMX ?? Infinity),
    op.tooling.stickOutMm,
    op.cut.axialDepthMm,
  );
  return useHeavy<ResonancePicture>(
    'resonance',
    tab === 'lobes' || tab === 'plan' ? question('resonance', op, context, range) : null,
    async (api, progress) => {
      const { proxy } = await import('comlink');
      return api.resonance(op, context, range, proxy(progress.early), proxy(progress.part));
    },
    250,
  );
}

/** All there is about a combination, a tab a subject. */
export function CombinationTabs({
  combination,
  crib,
  cut,
  asked,
  edit,
  onAsk,
}: {
  combination: CombinationDetail;
  crib: Crib;
  cut: ChatterCut;
  asked: CutAsked;
  edit: boolean;
  onAsk: (asked: CutAsked) => void;
}) {
  const system = useSystem();
  const [search, setSearch] = useSearchParams();
  const tab: Tab = TABS.find(([t]) => t === search.get('tab'))?.[0] ?? 'tip';
  const picture = useLobes(cut, tab);
  const { id, machineId, machineSerial, holderId, cutterId, stickOutMm } = combination;
  const title = `${entryName(crib.machines, machineId)}, serial ${machineSerial}; ${entryName(crib.holders, holderId)}; ${entryName(crib.cutters, cutterId)}; ${formatMeasure(stickOutMm, 'mm', system)} stick-out`;
  return (
    <section aria-label="Combination" className="min-w-0">
      <div className="mb-1 flex flex-wrap items-start justify-between gap-3">
        <div>
          <h2 className="text-[14px] leading-snug font-semibold">{title}</h2>
          {combination.note && <p className="text-[13px] text-soft">{combination.note}</p>}
        </div>
        {edit && <CombinationEdits combination={combination} crib={crib} />}
      </div>
      <Tabs.Root
        value={tab}
        onValueChange={(t) => {
          const next = new URLSearchParams(search);
          next.set('tab', t);
          setSearch(next, { replace: true });
        }}
      >
        <Tabs.List
          aria-label="About the combination"
          className="no-print mb-2 flex flex-wrap border-b border-line"
        >
          {TABS.map(([t, name]) => (
            <Tabs.Trigger
              key={t}
              value={t}
              className="border-b-2 border-transparent px-3 py-1 font-semibold text-soft hover:text-ink data-[state=active]:border-accent data-[state=active]:text-ink"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="tip">
          <TapPanel key={id} combination={combination} crib={crib} edit={edit} />
        </Tabs.Content>
        <Tabs.Content value="lobes">
          <LobesPanel
            crib={crib}
            combination={combination}
            asked={asked}
            onAsk={onAsk}
            cut={cut}
            picture={picture}
          />
        </Tabs.Content>
        <Tabs.Content value="notebook">
          <TestCutsPanel key={id} combination={combination} cut={cut} edit={edit} />
        </Tabs.Content>
        <Tabs.Content value="sound">
          <SoundPanel key={id} combination={combination} cut={cut} />
        </Tabs.Content>
        <Tabs.Content value="slender">
          <SlenderPanel crib={crib} />
        </Tabs.Content>
        <Tabs.Content value="plan">
          <PlanPanel title={title} picture={picture} asked={asked} onAsk={onAsk} />
        </Tabs.Content>
      </Tabs.Root>
    </section>
  );
}
