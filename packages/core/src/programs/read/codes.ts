/** Codes that are known and not followed, with what that means for what is shown. */
export const NOT_FOLLOWED: Readonly<Record<string, string>> = {
  G10: 'sets offsets or data in the control: later positions may lie elsewhere',
  G12: 'a circular pocket by the control: its path is not shown',
  G13: 'a circular pocket by the control: its path is not shown',
  G31: 'moves until a probe touches: read as a feed to its end',
  G33: 'threads with the spindle: read as a feed to its end',
  G16: 'polar coordinates: X and Y behind it are radius and angle, and are read wrongly',
  G51: 'scales what follows: sizes behind it are read unscaled',
  G50: 'ends scaling, or caps the spindle of a lathe',
  G65: 'calls a macro with values: its lines are not read',
  G66: 'calls a macro after every move: its lines are not read',
  G68: 'turns what follows: the path behind it is read unturned',
  G70: 'finishing cycle of a lathe: its moves are not shown',
  G71: 'roughing cycle of a lathe: its moves are not shown',
  G72: 'facing cycle of a lathe: its moves are not shown',
  G75: 'grooving cycle of a lathe: its moves are not shown',
  G87: 'back boring: read as a plain feed from R to Z',
  G88: 'boring with a stop and a way out by hand: the way out is read as a rapid',
  G92: 'sets the position anew: what follows is shifted by it, and the stock is not',
  G107: 'wraps the path round a cylinder: read flat',
  G112: 'polar interpolation: read flat',
  G41: 'compensates to the left: the path is shown as it is programmed, not where the cutter’s centre runs',
  G42: 'compensates to the right: the path is shown as it is programmed, not where the cutter’s centre runs',
  A: 'a rotary axis: the part is looked at from above as it stood at the beginning',
  B: 'a rotary axis: the part is looked at from above as it stood at the beginning',
  C: 'a rotary axis: the part is looked at from above as it stood at the beginning',
};

/** Codes without a bearing on path, feed or engagement. */
export const SILENT_G = new Set([
  5.1, 8, 9, 15, 22, 23, 25, 26, 40.1, 43.4, 50.1, 50.2, 61, 61.1, 62, 63, 64, 67, 69, 69.1, 187,
]);
/** Functions of the machine that move no axis the reader shows. */
export const SILENT_M = new Set([
  0, 1, 10, 11, 12, 13.1, 19, 21, 22, 23, 24, 29, 30, 31, 33, 34, 41, 42, 43, 44, 48, 49, 60, 68, 69, 70, 88,
  89,
]);

/** Canned drilling cycles of a mill. */
export const CYCLES = new Set([73, 74, 76, 81, 82, 83, 84, 85, 86, 87, 88, 89]);
