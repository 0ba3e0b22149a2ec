import { measure, say, type Sentence } from '../../units/sentence.ts';
import type { EdgeMillingOperation } from './edge-milling-operation.ts';

/** What an operation does to an edge, as the sheet says it. */
export function edgeSentence({ edge, featuresPerPart }: EdgeMillingOperation): Sentence {
  const times = featuresPerPart > 1 ? `${featuresPerPart} × ` : '';
  const size = measure(edge.sizeMm, 'mm');
  const length = measure(edge.lengthMm, 'mm');
  const from = edge.face === 'far' ? ', at the back' : '';
  switch (edge.form) {
    case 'engraving':
      return say(`${times}Line {0} wide, {1} long`, size, length);
    case 'round':
      return say(`${times}Edge rounded R {0}, {1} of contour${from}`, size, length);
    default:
      return say(
        `${times}Chamfer {0} × {2}, {1} of contour${from}`,
        size,
        length,
        measure(edge.angleDeg, 'deg'),
      );
  }
}
