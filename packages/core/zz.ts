import { grooved, threaded } from './fixtures/lathe-cuts.ts';
import { evaluate } from './src/evaluation/evaluate.ts';
const show = (name: string, { op, context }: any) => {
  const e = evaluate(op, context);
  console.log('==', name, e.state, JSON.stringify(op.cut));
  console.log('  ', e.numbers.map((n: any) => `${n.key}=${n.value.toPrecision(3)}`).join(' '));
  for (const l of e.limits)
    if (l.state !== 'clear' || /chatter|buckl|wall|thrown|size|run-in|pass/.test(l.id))
      console.log(
        '   ',
        l.state,
        l.id,
        l.share?.value.toFixed(2),
        JSON.stringify(l.why.text),
        l.why.measures?.map((m: any) => m.value.toPrecision(3)).join(','),
      );
};
show(
  'oring stem end chuck',
  grooved({
    startMm: 30,
    endMm: 24.7,
    lengthMm: 3.6,
    fromEndMm: 12,
    overhangMm: 150,
    raUm: 1.6,
    toleranceMm: 0.2,
  }),
);
show(
  'oring stem tailstock',
  grooved({ startMm: 30, endMm: 24.7, lengthMm: 3.6, fromEndMm: 12, overhangMm: 150, support: 'tailstock' }),
);
show('groove short 44', grooved({ startMm: 44, endMm: 38, lengthMm: 3, overhangMm: 60 }));
show(
  'face groove',
  grooved(
    { way: 'face', startMm: 40, endMm: 30, lengthMm: 4, fromEndMm: 0, overhangMm: 60 },
    { cutterId: 'groove-face-3-32-50' },
  ),
);
show(
  'part off',
  grooved(
    { way: 'part-off', startMm: 40, endMm: 0, fromEndMm: 50, overhangMm: 70 },
    { cutterId: 'partoff-3', stickOutMm: 25 },
  ),
);
show(
  'inside',
  grooved(
    { way: 'inside', startMm: 30, endMm: 36, lengthMm: 3, fromEndMm: 10, overhangMm: 60 },
    { cutterId: 'groove-in-2-bar16', holderId: 'bore-block-25', stickOutMm: 40 },
  ),
);
show('M20', threaded('M20', { lengthMm: 25, overhangMm: 60 }));
show('M30x2 stem', threaded('M30x2', { lengthMm: 25, overhangMm: 150 }));
show('M10', threaded('M10', { lengthMm: 15, overhangMm: 40 }, { cutterId: 'thread-out-60-0.5-1.5' }));
show(
  'M30x2 in',
  threaded(
    'M36x1.5',
    { internal: true, lengthMm: 20, overhangMm: 60 },
    { cutterId: 'thread-in-bar20-60-1.75-3', holderId: 'bore-block-25', stickOutMm: 30 },
  ),
);
