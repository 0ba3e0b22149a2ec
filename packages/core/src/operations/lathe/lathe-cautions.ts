/** What can hurt someone at every lathe. */
export const LATHE_CAUTIONS: readonly string[] = [
  'Never above the rated speed of chuck and jaws; what is not round is run slower.',
  'Long chips cut to the bone: break them with feed and depth, and clear them with a hook and the spindle stopped.',
];
