import { exact } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { atLeast, held } from '../../holes/limits/assessments.ts';
import type { GroovingState } from '../grooving-state.ts';

/** The blade has to fit into what is cut: its width, its depth, and a bar into its bore. */
export const grooveFitLimit: Limit<GroovingState> = {
  id: 'groove-fit',
  reads: 'setup',
  group: 'cutter',
  name: 'blade in the groove',
  assess({ bladeMm, widthMm, depthMm, op: { groove }, context: { cutter } }) {
    const source = 'cutter record';
    const least = Number(cutter.properties['DMIN'] ?? 0);
    if (groove.way === 'inside' && groove.startMm < least)
      return atLeast(groove.startMm, least, 'mm', cutter.name, {
        why: () => say('Bore {0}; the bar needs {1}.', measure(groove.startMm, 'mm'), measure(least, 'mm')),
        formula: 'D ≥ DMIN',
        source,
      });
    if (bladeMm > widthMm + 1e-6)
      return held(bladeMm, widthMm, 'mm', 'width of the groove', {
        why: () => say('Blade {0} wide; the groove is {1}.', measure(bladeMm, 'mm'), measure(widthMm, 'mm')),
        formula: 'CW ≤ width',
        source,
      });
    const deep = Number(cutter.properties['CDX'] ?? Infinity);
    return held(depthMm, deep, 'mm', cutter.name, {
      why: () => say('Groove {0} deep; blade cuts to {1}.', measure(depthMm, 'mm'), measure(deep, 'mm')),
      formula: 'depth ≤ CDX',
      inputs: () => [input('CDX', 'deepest', deep, 'mm')],
      source,
    });
  },
};

/** A blade into a face is curved: its first plunge fits a range of diameters; once there is room it goes either way. */
export const firstPlungeLimit: Limit<GroovingState> = {
  id: 'first-plunge',
  group: 'cutter',
  name: 'first plunge',
  assess({ op: { groove, cut }, bladeMm, context: { cutter } }) {
    if (groove.way !== 'face') return null;
    const [least, most] = [
      Number(cutter.properties['DAXN'] ?? 0),
      Number(cutter.properties['DAXX'] ?? Infinity),
    ];
    // Stated at the outer edge of the blade.
    const at = cut.firstPlunge === 'outer' ? groove.startMm : groove.endMm + 2 * bladeMm;
    const small = at < least;
    return {
      ...held(at, small ? least : most, 'mm', cutter.name, {
        why: () =>
          say(
            `First plunge at ⌀ {0}, the ${cut.firstPlunge} end; blade curved for {1} to {2}.`,
            measure(at, 'mm'),
            measure(least, 'mm'),
            measure(most, 'mm'),
          ),
        formula: 'DAXN ≤ D of the first plunge ≤ DAXX',
        source: 'cutter record',
      }),
      share: exact(small ? least / at : at / most),
      verdict: small || at > most ? 'over' : 'clear',
    };
  },
};

/** The corner the blade leaves at the bottom. */
export const grooveCornerLimit: Limit<GroovingState> = {
  id: 'groove-corner',
  reads: 'setup',
  group: 'accuracy',
  name: 'bottom corner',
  assess({ op: { groove }, context: { cutter } }) {
    if (groove.cornerMm === null || groove.way === 'part-off') return null;
    const own = cutter.properties.RE ?? 0.2;
    return held(own, groove.cornerMm, 'mm', 'drawing', {
      why: () =>
        say(
          'Blade leaves a corner of {0}; {1} allowed.',
          measure(own, 'mm'),
          measure(groove.cornerMm!, 'mm'),
        ),
      formula: 'RE ≤ corner',
      source: 'cutter record',
    });
  },
};
