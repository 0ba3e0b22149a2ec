/** An operation as the order of work sees it. */
export interface Station {
  readonly id: string;
  readonly setup: string;
  readonly minutes: number;
  /** Chance that it costs the part. */
  readonly chance: number;
  /** Must come after this one: the step before it in the same hole. */
  readonly after: string | null;
  /** Makes a close tolerance, which wants the roughing behind it. */
  readonly fine: boolean;
  /** Clears metal: the long work that a risky hole had better not wait for. */
  readonly clears: boolean;
  /** Makes the face the others of its setup begin from: nothing comes before it. */
  readonly opens: boolean;
}

export interface StationRisk {
  readonly id: string;
  /** Chance that the part is lost here. */
  readonly chance: number;
  /** What is in the part when it comes here. */
  readonly value: number;
  readonly expectedLoss: number;
  /** Place it could have at the earliest in its setup, and what that saves a part; null where it is there already. */
  readonly earlier: { readonly place: number; readonly before: string; readonly saves: number } | null;
  /** A warning where moving it early is worth it. */
  readonly warning: boolean;
}

/** Chance from which a station is called risky. */
const RISKY = 0.002;
/** Minutes of work, or share of the part's, that must lie before it needlessly before anybody is told to move something. */
const WORTH_MIN = 10;
const WORTH_SHARE = 0.2;

/**
 * What each operation puts at risk where it stands: its chance of losing the part times the blank and the machine time
 * already in it. A risky one wants to come before hours are spent, so each is compared with the earliest place its own
 * setup and the steps before it allow; one that finishes to size stays behind the roughing.
 */
export function orderRisk(
  stations: readonly Station[],
  blankValue: number,
  perMinute: number,
): StationRisk[] {
  const total = stations.reduce((sum, o) => sum + o.minutes, 0);
  let value = blankValue;
  const worth = new Map<string, number>();
  for (const s of stations) {
    worth.set(s.id, value);
    value += s.minutes * perMinute;
  }
  return stations.map((s, i): StationRisk => {
    const here = worth.get(s.id)!;
    const { chance } = s;
    // Nothing goes before the face its setup begins from.
    const face = stations.findLastIndex((o, k) => k < i && o.setup === s.setup && o.opens);
    const sameSetup = face >= 0 ? face + 1 : stations.findIndex((o) => o.setup === s.setup);
    const behind = s.after === null ? -1 : stations.findIndex((o) => o.id === s.after);
    // The steps before it in the same hole move with it: they are counted in what it costs to come early.
    let first = i;
    let chain: string | null = s.after;
    while (chain !== null) {
      const at = stations.findIndex((o) => o.id === chain);
      if (at < 0) break;
      first = Math.min(first, at);
      chain = stations[at]!.after;
    }
    const earliest = s.fine ? Math.max(sameSetup, behind + 1) : sameSetup;
    // Other holes that came early already stay where they are: what matters is the long work behind them.
    const long = stations.findIndex((o, k) => k >= earliest && k < i && o.clears);
    const target = long >= 0 ? long : earliest;
    const passed = stations.slice(target, i).filter((o) => !isBefore(stations, o.id, s));
    const spent = passed.reduce((sum, o) => sum + o.minutes, 0);
    // What it goes before comes later by its own minutes, with more in the part by then.
    const delayed = passed.reduce((sum, o) => sum + o.chance, 0) * s.minutes;
    const saves = (chance * spent - delayed) * perMinute;
    const expectedLoss = chance * here;
    const place = Math.min(first, target);
    const early = !s.fine && spent > 0 && saves > 0 && stations[place] && stations[place].id !== s.id;
    return {
      id: s.id,
      chance,
      value: here,
      expectedLoss,
      earlier: early ? { place, before: stations[place]!.id, saves } : null,
      warning: early === true && chance >= RISKY && (spent >= WORTH_MIN || spent >= WORTH_SHARE * total),
    };
  });
}

/** Is `id` one of the steps before `s` in the same hole? */
function isBefore(stations: readonly Station[], id: string, s: Station): boolean {
  let at: string | null = s.after;
  while (at !== null) {
    if (at === id) return true;
    at = stations.find((o) => o.id === at)?.after ?? null;
  }
  return false;
}
