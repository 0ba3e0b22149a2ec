import type {
  DrillingOperation,
  EdgeMillingOperation,
  GroovingOperation,
  HoleOperation,
  MillingOperation,
  Operation,
  ThreadTurningOperation,
  TurningOperation,
} from '@burl/core';
import { type ComponentType, lazy } from 'react';
import { type View, VIEWS } from './bar.tsx';
import { TurnedComparison } from './compare/turned-comparison.tsx';
import { type CompareProps, Comparison } from './compare/comparison.tsx';
import type { DrawingProps } from '../../drawing/cut/drawing-props.ts';
import { EdgeSection } from '../../drawing/cut/edge-section.tsx';
import { GroovedSection } from '../../drawing/cut/grooved-section.tsx';
import { HoleSection } from '../../drawing/cut/hole-section.tsx';
import { MillingDrawing } from '../../drawing/cut/milling-drawing.tsx';
import { ThreadedSection } from '../../drawing/cut/threaded-section.tsx';
import { TurnedSection } from '../../drawing/cut/turned-section.tsx';
import type { CardProps } from './given/card.tsx';
import { EdgeCard } from './given/edge-card.tsx';
import { GrooveCard } from './given/groove-card.tsx';
import { HoleCard } from './given/hole-card.tsx';
import { MillingCards } from './given/milling-cards.tsx';
import { ProfileCard } from './given/profile-card.tsx';
import { ThreadCard } from './given/thread-card.tsx';
import { TurnedCard } from './given/turned-card.tsx';
import type { PanelProps } from './panels/panel-props.ts';

/** A chart under the cut. */
export interface PanelTab {
  readonly id: string;
  readonly name: string;
  readonly Panel: ComponentType<PanelProps>;
  /** Wants more height than a curve. */
  readonly tall?: true;
  /** Whether an operation of the kind has what it shows; absent is always. */
  readonly has?: (op: Operation) => boolean;
}

/** How the bench shows a kind of operation. */
interface KindView {
  readonly Drawing: ComponentType<DrawingProps>;
  /** What of the inputs only this kind has. */
  readonly Cards: ComponentType<CardProps>;
  readonly panels: readonly PanelTab[];
  /** Strategies, cutters and variants side by side; null where nothing is compared. */
  readonly Compare: ComponentType<CompareProps> | null;
  /** What there is to look at beside the cut. */
  readonly views: readonly View[];
}

/** Pieces made for one kind; only that kind is ever given to them. */
interface Pieces<O extends Operation> {
  readonly Drawing: ComponentType<DrawingProps<O>>;
  readonly Cards: ComponentType<CardProps<O>>;
  readonly panels: readonly (Omit<PanelTab, 'Panel'> & { readonly Panel: ComponentType<PanelProps<O>> })[];
  readonly Compare?: ComponentType<CompareProps<O>>;
  readonly views?: readonly View[];
}
const view = <O extends Operation>(pieces: Pieces<O>): KindView =>
  ({ Compare: null, views: VIEWS.map(([id]) => id), ...pieces }) as unknown as KindView;

const TURNED_VIEWS: readonly View[] = ['cut', 'strategies', 'variants'];

const SPINDLE = { id: 'spindle', name: 'Spindle', Panel: lazy(() => import('./panels/spindle-panel.tsx')) };
const EDGE = { id: 'edge', name: 'Tool life', Panel: lazy(() => import('./panels/edge-panel.tsx')) };

const milling = view<MillingOperation>({
  Drawing: MillingDrawing,
  Cards: MillingCards,
  panels: [
    SPINDLE,
    {
      id: 'window',
      name: 'Window',
      Panel: lazy(() => import('./panels/window-panel.tsx')),
      tall: true,
    },
    { id: 'turn', name: 'Forces', Panel: lazy(() => import('./panels/turn-panel.tsx')) },
    { id: 'heat', name: 'Heat', Panel: lazy(() => import('./panels/heat-panel.tsx')) },
    EDGE,
    {
      id: 'wall',
      name: 'Wall',
      Panel: lazy(() => import('./panels/wall-panel.tsx')),
      has: (op) => op.kind === 'milling' && op.feature.kind !== 'face',
    },
    {
      id: 'surface',
      name: 'Surface',
      Panel: lazy(() => import('./panels/surface-panel.tsx')),
      tall: true,
    },
    { id: 'path', name: 'Path', Panel: lazy(() => import('./panels/path-panel.tsx')) },
    { id: 'odds', name: 'Confidence', Panel: lazy(() => import('./panels/odds-panel.tsx')) },
  ],
  Compare: Comparison,
});

const hole = view<HoleOperation>({ Drawing: HoleSection, Cards: HoleCard, panels: [SPINDLE, EDGE] });

const drilling = view<DrillingOperation>({
  Drawing: HoleSection,
  Cards: HoleCard,
  panels: [SPINDLE, { id: 'depth', name: 'Depth', Panel: lazy(() => import('./panels/depth-panel.tsx')) }],
});

const edgeMilling = view<EdgeMillingOperation>({
  Drawing: EdgeSection,
  Cards: EdgeCard,
  panels: [SPINDLE, EDGE],
});

const DIAMETER = {
  id: 'diameter',
  name: 'Diameter',
  Panel: lazy(() => import('./panels/diameter-panel.tsx')),
};
const LATHE_WINDOW = {
  id: 'window',
  name: 'Window',
  Panel: lazy(() => import('./panels/lathe-window-panel.tsx')),
  tall: true,
} as const;
const turning = view<TurningOperation>({
  Drawing: TurnedSection,
  Cards: (props) => (
    <>
      <TurnedCard {...props} />
      <ProfileCard {...props} />
    </>
  ),
  panels: [DIAMETER, SPINDLE, LATHE_WINDOW, EDGE],
  Compare: TurnedComparison,
  views: TURNED_VIEWS,
});
const grooving = view<GroovingOperation>({
  Drawing: GroovedSection,
  Cards: GrooveCard,
  panels: [DIAMETER, SPINDLE, LATHE_WINDOW, EDGE],
  Compare: TurnedComparison,
  views: TURNED_VIEWS,
});
const threadTurning = view<ThreadTurningOperation>({
  Drawing: ThreadedSection,
  Cards: ThreadCard,
  panels: [
    { id: 'passes', name: 'Passes', Panel: lazy(() => import('./panels/passes-panel.tsx')) },
    SPINDLE,
    EDGE,
  ],
  Compare: TurnedComparison,
  views: TURNED_VIEWS,
});

/** The view of each kind: a new kind brings a line here. */
export const KIND_VIEWS: Readonly<Record<Operation['kind'], KindView>> = {
  milling,
  drilling,
  reaming: hole,
  boring: hole,
  'hole-milling': hole,
  chamfering: hole,
  tapping: hole,
  'thread-milling': hole,
  'edge-milling': edgeMilling,
  turning,
  grooving,
  'thread-turning': threadTurning,
};

/** The charts there are of an operation. */
export const panelsOf = (op: Operation): readonly PanelTab[] =>
  KIND_VIEWS[op.kind].panels.filter(({ has }) => has?.(op) ?? true);
