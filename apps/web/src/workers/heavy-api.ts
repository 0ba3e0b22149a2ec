import {
  type CheckSettings,
  finishPlan,
  type FirstCut,
  firstCuts,
  type JudgedJob,
  type OfferedFeature,
  operationsFor,
  type PartFeature,
  type PartShop,
  type RouteChoice,
  routesOf,
  heatCurve,
  layOut,
  type LatheFree,
  latheMap,
  type TurnedAim,
  type TurnedOperation,
  type TurnedWay,
  turnedWays,
  discWays,
  finishingWays,
  type Way,
  type LayOutWish,
  limitMap,
  type LimitMap,
  type MapWish,
  millingState,
  type MillingOperation,
  monteCarlo,
  type Odds,
  type Offer,
  type Operation,
  type OperationContext,
  overloadOf,
  pathDetail,
  rankCutters,
  type Ranking,
  remediesFor,
  type RewriteSettings,
  type Rewritten,
  type Remedy,
  searchCut,
  type SearchResult,
  type SearchWish,
  type StrategyLayout,
  type StrategyRefusal,
  turnOf,
  wallOf,
  type ToolAssembly,
  fitModes,
  type HammerRecord,
  type ModalFit,
  periodicVerdict,
  type PeriodicVerdict,
  type Receptance,
  type Recording,
  resonanceOf,
  type ResonancePicture,
  type ResonanceQuestion,
  WORLDS,
} from '@burl/core';
import { checkText, type ProgramPicture, rewriteText } from './program-work.ts';
import {
  hearRecording,
  type Heard,
  simulatedRunOf,
  simulatedTap,
  stabilityOf,
  type TapTest,
  tapTestOf,
} from './chatter-work.ts';

/** Points of the first coarse picture of a map. */
const COARSE = { columns: 15, rows: 10 } as const;

/** Worlds of the first picture of the lobes, a quarter of those of the whole one. */
const FEW_WORLDS = WORLDS / 4;

/** What is too heavy for the page: runs in a worker, and is stopped by ending it. */
export const heavyApi = {
  remedies: (op: Operation, context: OperationContext, limitId: string, offer: Offer): Remedy[] =>
    remediesFor(op, context, limitId, offer.holders, offer),

  turn: (op: MillingOperation, context: OperationContext) => {
    const state = millingState(op, context);
    return { turn: turnOf(state), overload: overloadOf(state) };
  },
  wall: (op: MillingOperation, context: OperationContext) => {
    const state = millingState(op, context);
    return { wall: wallOf(state), finish: finishPlan(state) };
  },
  heat: (op: MillingOperation, context: OperationContext) => heatCurve(millingState(op, context)),
  path: (op: MillingOperation, context: OperationContext) => pathDetail(millingState(op, context)),

  map: (
    op: MillingOperation,
    context: OperationContext,
    wish: MapWish,
    onCoarse: (map: LimitMap) => void,
    onPart: (part: number) => void,
  ): LimitMap => {
    onCoarse(limitMap(op, context, { ...wish, ...COARSE })!);
    return limitMap(op, context, wish, (row) => {
      if (row % 8 === 7) onPart((row + 1) / wish.rows);
      return true;
    })!;
  },
  latheMap: (
    op: TurnedOperation,
    context: OperationContext,
    wish: Parameters<typeof latheMap>[2],
    onCoarse: (map: LimitMap<LatheFree>) => void,
    onPart: (part: number) => void,
  ): LimitMap<LatheFree> => {
    onCoarse(latheMap(op, context, { ...wish, ...COARSE }));
    return latheMap(op, context, wish, (row) => row % 8 === 7 && onPart((row + 1) / wish.rows));
  },
  turnedWays: (
    op: TurnedOperation,
    context: OperationContext,
    others: readonly OperationContext[],
    aim: TurnedAim,
  ): TurnedWay[] => turnedWays(op, context, others, aim),
  finishingWays: (
    op: MillingOperation,
    context: OperationContext,
    others: readonly OperationContext[],
  ): Way<MillingOperation>[] => finishingWays(op, context, others),
  discWays: (
    op: MillingOperation,
    context: OperationContext,
    others: readonly OperationContext[],
  ): Way<MillingOperation>[] => discWays(op, context, others),
  search: (op: MillingOperation, context: OperationContext, wish: SearchWish): SearchResult =>
    searchCut(op, context, wish),
  odds: (
    op: MillingOperation,
    context: OperationContext,
    draws: number,
    onPart: (part: number) => void,
  ): Odds =>
    monteCarlo(op, context, { draws }, (done) => {
      onPart(done / draws);
      return true;
    })!,
  layOut: (
    op: MillingOperation,
    context: OperationContext,
    strategy: StrategyLayout['strategy'],
    wish: LayOutWish,
  ): StrategyLayout | StrategyRefusal => layOut(op, context, strategy, wish),
  rank: (
    op: MillingOperation,
    context: OperationContext,
    offer: Offer,
    wish: LayOutWish,
    onPart: (part: number) => void,
    onRows: (best: Ranking['best']) => void,
  ): Ranking =>
    rankCutters(op, context, offer, wish, (done, of, best) => {
      onPart(done / of);
      if (done < of) onRows(best);
      return true;
    })!,

  operationsFor: (feature: PartFeature, shop: PartShop): OfferedFeature => operationsFor(feature, shop),
  routes: (
    job: JudgedJob,
    offer: Offer,
    confidence: number,
    wish: LayOutWish,
    onPart: (part: number) => void,
  ): RouteChoice[] => routesOf(job, offer, confidence, wish, onPart),

  firstCuts: (op: MillingOperation, context: OperationContext, offer: Offer): readonly FirstCut[] =>
    firstCuts(op, context, offer),

  periodic: (op: MillingOperation, context: OperationContext): PeriodicVerdict =>
    periodicVerdict(op, context),
  resonance: (
    op: MillingOperation,
    context: OperationContext,
    wish: ResonanceQuestion,
    onCoarse: (picture: ResonancePicture) => void,
    onPart: (part: number) => void,
  ): ResonancePicture => {
    // First the cloud of worlds alone, then the periodic border on top of it.
    onCoarse(resonanceOf(op, context, { ...wish, periodic: 0, worlds: FEW_WORLDS })!);
    return resonanceOf(op, context, wish, (share) => {
      onPart(share);
      return true;
    })!;
  },
  stability: (
    op: MillingOperation,
    context: OperationContext,
    range: { fromRpm: number; toRpm: number; mostMm: number },
    onPart: (part: number) => void,
  ) => stabilityOf(op, context, range, onPart),
  simulate: (op: MillingOperation, context: OperationContext, rpm: number, depthMm: number) =>
    simulatedRunOf(op, context, rpm, depthMm),
  tapTest: (parts: ToolAssembly, stickOutMm: number, axis: 'x' | 'y', seed: number): TapTest =>
    simulatedTap(parts, stickOutMm, axis, seed),
  readHits: (record: HammerRecord): TapTest => tapTestOf(record),
  fit: (response: Receptance): ModalFit => fitModes(response, { fromHz: 150, toHz: 8000 }),
  program: (
    text: string,
    settings: CheckSettings,
    onPicture: (picture: ProgramPicture) => void,
    onPart: (part: number) => void,
  ): Promise<ProgramPicture> => checkText(text, settings, onPicture, onPart),
  rewrite: (text: string, settings: CheckSettings, wish: RewriteSettings): Rewritten =>
    rewriteText(text, settings, wish),
  sound: (samples: Recording, wish: { rpm: number; teeth: number }): Heard => hearRecording(samples, wish),
};

export type HeavyApi = typeof heavyApi;
