/** What one page of help says of a place. */
export interface PlaceHelp {
  readonly id: string;
  readonly name: string;
  readonly purpose: string;
  /** What to do, in order. */
  readonly first: readonly string[];
  readonly words: readonly (readonly [word: string, meaning: string])[];
  readonly keys: readonly (readonly [keys: string, does: string])[];
}

const STATES: PlaceHelp['words'] = [
  ['Clear', 'within the limit even at the unfavourable end of its range'],
  ['Tight', 'most likely within, but it may exceed'],
  ['Over', 'most likely beyond the limit'],
  ['Unproven', 'nobody measured what it hangs on; measure, or log test cuts'],
];

/** Help by place, in the order of the bar. */
export const HELP: readonly PlaceHelp[] = [
  {
    id: 'desk',
    name: 'Desk',
    purpose:
      'Jobs by what they wait for: to be worked out, to be released, to be proved out. What the floor reports stands on top.',
    first: [
      'New job: number, part, alloy, machine; its features bring their operations. Or Import a job file.',
      'Open a job by its name. What governs it is told on its card.',
      'Answer findings from the floor: “What happened?” weighs the causes.',
    ],
    words: STATES,
    keys: [
      ['N', 'new job'],
      ['Ctrl K', 'find a job, operation, tool, alloy or person, or do something'],
    ],
  },
  {
    id: 'programs',
    name: 'Programs',
    purpose:
      'An NC program read as the control reads it, cut into the material, and held against the release; its feeds rewritten, or a short program written.',
    first: [
      'Choose the job, then the operation it is for; open the file or drop it on the page. Without a job, path, rapids and the control are still checked.',
      'Material: what the program begins with, in its own coordinates. Until somebody says it, a block round the path is assumed.',
      'Go through the findings from the top; each takes text and picture to its line. Rewrite feeds brings speeds and feeds to the release and shows each changed line.',
      'Watch the machine beside a kept program: its load by line against the prediction; for a released operation it goes into the logbook.',
      'Export the text, or keep it with the job. Prove it out at the machine all the same.',
    ],
    words: [
      [
        'Stop',
        'may hurt somebody, the machine or the part: a rapid into material, another tool, a spindle that stands',
      ],
      ['Fault', 'differs from the release, or loads the cutter beyond it'],
      ['Look', 'worth a look: what the machine will slow down by itself, a post that stays, a short rest'],
      ['Note', 'said so that nothing is passed over in silence'],
      ['Engagement spike', 'contact that jumps over the straight cut’s, as in a corner'],
      ['Held against', 'the sheet in force, one of its operations, or the operations as they stand'],
    ],
    keys: [
      ['O', 'open a file'],
      [', and .', 'one block back, one on'],
      ['Ctrl F', 'find in the text'],
    ],
  },
  {
    id: 'quick',
    name: 'Quick',
    purpose: 'An answer without a job: what to run, or what is wrong with what somebody runs already.',
    first: [
      'What do I run: alloy, machine, what you want to cut, its sizes, the tool on hand or the best of the crib.',
      'Type over any number; the others follow. Copy link carries all of it; Save as job keeps it.',
      'What are they running: type their words in any units, correct what was understood, tap the answers to the questions.',
    ],
    words: [
      [
        'Burl’s numbers',
        'a first cut a shop would start with; balanced only where one of its limits is over',
      ],
      ['Confidence', 'share of simulated cuts in which every limit is met'],
      ['Assumed', 'what was not said and had to be supposed for the answer'],
    ],
    keys: [
      ['Q', 'what do I run?'],
      ['W', 'what are they running?'],
      ['Enter', 'takes the first entry found and goes on to the next field'],
    ],
  },
  {
    id: 'route',
    name: 'Route',
    purpose:
      'The operations of a part by setup, in their order, with tool, speed, feed, minutes and governing limit.',
    first: [
      'Add an operation: the feature and its sizes; the best cutter is chosen already.',
      'Drag an operation by its handle, or Space and arrow keys, to reorder.',
      'Request release once nothing is left to change.',
    ],
    words: [
      ['Risk of the holes', 'chance that a part is lost in a hole, and what it is worth by then'],
      ['Edges for the batch', 'edges the whole batch takes, against the shelf'],
    ],
    keys: [],
  },
  {
    id: 'batch',
    name: 'Batch',
    purpose:
      'The whole job: minutes, cost, risk, holding, first piece, what may run alone, and other ways to run it.',
    first: [
      'Enter part, blank and spares under Part and batch, and how each setup holds its parts under Setup.',
      'State the rates of the shop once; every amount follows.',
      'Read what would shorten it; compare routes and take the better one as new variants.',
    ],
    words: [
      ['A load', 'parts in the machine at once; their tool changes are shared'],
      ['First piece', 'goes through every setup before the batch goes through the first'],
      ['Alone', 'so many parts with nobody there, at the confidence asked'],
      ['Expected', 'chance times what is in the part by then'],
    ],
    keys: [],
  },
  {
    id: 'bench',
    name: 'Bench',
    purpose: 'One operation: inputs on the left, the cut in the middle, what limits it on the right.',
    first: [
      'Read the governing sentence. Preview a remedy, then Apply or Back.',
      'Type a number or drag a handle; pin what must not move.',
      'A question mark opens the reasons of a number in the right column.',
      'Strategies, Cutter and Variants compare; Window shows where all limits are met.',
    ],
    words: [...STATES, ['Pin', 'a number that other changes leave alone']],
    keys: [
      ['Ctrl Z', 'undo'],
      ['Ctrl Shift Z', 'redo'],
      ['Arrow keys', 'move a handle or a number by one step; with Shift by ten'],
    ],
  },
  {
    id: 'holes',
    name: 'Holes',
    purpose: 'Holes and threads of a part: every method the crib allows, with minutes, cost and scrap risk.',
    first: [
      'Add a hole or a thread and state the requirement.',
      'Compare the methods; the recommended one is marked.',
      'Put the steps into the route.',
    ],
    words: [
      ['Scrap risk', 'chance that one of the holes costs the part'],
      ['Percent thread', 'height of the thread against a full one'],
    ],
    keys: [['Ctrl Z', 'undo']],
  },
  {
    id: 'release',
    name: 'Release',
    purpose:
      'Evidence for the second person: worst first, what is assumed, what changed since the last release.',
    first: [
      'Engineer: enter program, offset and pocket, then Request release with a note.',
      'Approver: read and tick each open limit and caution, then Release or Return.',
    ],
    words: [
      ['Returned', 'goes back to the engineer with a reason'],
      ['Superseded', 'an earlier release that a later one has replaced'],
    ],
    keys: [],
  },
  {
    id: 'floor',
    name: 'Setup sheet',
    purpose: 'What is run at the machine: tools, numbers, prove-out step by step, trials with a few taps.',
    first: [
      'Check tools and pockets against the list.',
      'Prove out the first piece, each step signed; one that fails goes to the desk.',
      'Log a trial when an edge is changed, worn or broken.',
    ],
    words: [
      ['Feature', 'one pocket, slot or hole; edges are changed between them, never inside one'],
      ['Load meter', 'share of this spindle the cut should show'],
    ],
    keys: [],
  },
  {
    id: 'chatter',
    name: 'Chatter',
    purpose: 'Spindle, holder, tool and stick-out as one combination: tap tests, lobes, test cuts, sound.',
    first: [
      'Create the combination and tap-test it, or import a response.',
      'Lobes: the shaded region is stable at the confidence you choose.',
      'Log test cuts: what was stable, what squealed.',
    ],
    words: [
      ['Stability limit', 'axial depth above which the cut chatters'],
      ['Tool-tip FRF', 'how far the tip moves for a force, over frequency'],
    ],
    keys: [],
  },
  {
    id: 'logbook',
    name: 'Logbook',
    purpose: 'Trials of all jobs: filter, plot, compare, and learn from them.',
    first: [
      'Filter by alloy, cutter, machine or lot. Open a trial for what happened.',
      'Learning: read the proposal, leave out what does not belong, accept. It can be reversed.',
    ],
    words: [
      ['Measured here', 'a constant fitted from your own trials and accepted by somebody'],
      ['Ended', 'the edge was worn, chipped or broken, not changed in time'],
    ],
    keys: [],
  },
  {
    id: 'crib',
    name: 'Crib',
    purpose: 'Alloys, machines, cutters, holders and assemblies, with where each figure comes from.',
    first: [
      'New makes an entry from a few numbers; Import reads a file after showing what it would change.',
      'Open an entry for its record, its history and the shelf.',
    ],
    words: [
      ['Built-in', 'ships with Burl and is read-only; copy it to change it'],
      ['Retired', 'not offered any more; jobs that name it keep it'],
    ],
    keys: [],
  },
  {
    id: 'people',
    name: 'People',
    purpose: 'Who may sign in, and what they may do. For administrators.',
    first: [
      'Invite: name and role; hand the link over in person. It works once.',
      'Somebody leaves: suspend. What he signed stays signed.',
    ],
    words: [
      ['Engineer', 'builds jobs and requests release'],
      ['Approver', 'the same, and releases what others requested; never his own request'],
      ['Floor', 'reads released sheets, signs the prove-out, logs trials'],
      ['Administrator', 'looks after people, edits nothing'],
    ],
    keys: [],
  },
];

/** The place of an address. */
export function placeOf(path: string): string {
  if (path.startsWith('/jobs/'))
    return path.includes('/ops/')
      ? 'bench'
      : (['batch', 'holes', 'release', 'floor'].find((p) => path.endsWith(`/${p}`)) ?? 'route');
  if (path.startsWith('/resonance')) return 'chatter';
  return HELP.find((h) => path.startsWith(`/${h.id}`))?.id ?? 'desk';
}
