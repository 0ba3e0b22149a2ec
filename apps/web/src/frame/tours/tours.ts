/** A step of a tour: where it is, what it points at, and what it says of that. */
export interface TourStep {
  /** Address it is at; absent where the step before it left off. */
  readonly at?: string;
  /** What it points at; the first that is there. */
  readonly points: string;
  readonly title: string;
  readonly text: string;
}

export interface Tour {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly TourStep[];
}

const region = (name: string): string => `section[aria-label="${name}"]`;
const SQUEALS =
  '/quick?said=12+mm+five+flute%2C+80+m%2Fmin%2C+0.1+a+tooth%2C+1+mm+stepover%2C+18+deep%2C+grade+5%2C+it+squeals+and+chips+corners';

/** Tours on real screens with the demo’s own data. `{job}` and `{operation}` stand for a draft of the desk. */
export const TOURS: readonly Tour[] = [
  {
    id: 'answer',
    name: 'An answer in a minute',
    steps: [
      {
        at: '/quick',
        points: 'form[aria-label="Question"]',
        title: 'Ask without a job',
        text: 'Alloy by any of its names or numbers, machine, what you want to cut. Enter takes the first found and goes on.',
      },
      {
        points: region('Numbers'),
        title: 'The answer, in both unit systems',
        text: 'Every number can be typed over; the others follow. The question mark shows where a number comes from.',
      },
      {
        points: region('What governs'),
        title: 'What limits it',
        text: 'At most three limits, the worst first: a circle is clear, a triangle tight, a diamond over, a dashed square unproven.',
      },
      {
        points: region('The cut'),
        title: 'Take hold of the drawing',
        text: 'Drag the round handles, or use arrow keys on them. Save as job keeps all of it.',
      },
    ],
  },
  {
    id: 'job',
    name: 'From a job to its release',
    steps: [
      {
        at: '/',
        points: 'section[aria-label="Draft"]',
        title: 'The desk',
        text: 'Jobs by what they wait for, each with its governing limit. New job starts one; Ctrl K finds anything.',
      },
      {
        at: '/jobs/{job}',
        points: 'main ol',
        title: 'The route',
        text: 'Operations in their order with tool, speed, feed and minutes. Drag to reorder.',
      },
      {
        at: '/jobs/{job}/ops/{operation}',
        points: region('What governs'),
        title: 'The bench',
        text: 'One sentence says what governs this cut. Preview a remedy before you apply it.',
      },
      {
        points: region('Limits'),
        title: 'Every limit behind it',
        text: 'Those that matter first, the clear ones behind their count. Open one for its formula and sources.',
      },
      {
        at: '/jobs/{job}/release',
        points: region('Request release'),
        title: 'Release',
        text: 'A second person ticks every open limit and caution, then the sheet goes to the floor.',
      },
    ],
  },
  {
    id: 'caller',
    name: 'Somebody calls about a squeal',
    steps: [
      {
        at: SQUEALS,
        points: 'main textarea',
        title: 'Type what they say',
        text: 'Any words, metric or inch. What was understood stands in fields below, to be put right.',
      },
      {
        points: region('Likely causes'),
        title: 'What fails, likeliest first',
        text: 'From the cut itself and from what they see, with what speaks for and against.',
      },
      {
        points: region('First change'),
        title: 'The first change',
        text: 'One change with everything that moves with it, and the cheapest test.',
      },
      {
        points: region('To ask'),
        title: 'Three questions to ask',
        text: 'Those that would settle most. Tap the answer and the causes are weighed anew; copy it all as text.',
      },
    ],
  },
];
