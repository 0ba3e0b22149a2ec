import { type FeedSettings, USUAL_FEEDS } from './target-feed.ts';

export interface RewriteSettings extends FeedSettings {
  /** Speeds that differ are brought to the released ones as well. */
  readonly speeds: boolean;
  /** Long lines are divided where the contact rises before a corner. */
  readonly divide: boolean;
  /** Short lines that lie on an arc within this become one, mm; null leaves them. */
  readonly arcToleranceMm: number | null;
}

export const USUAL_REWRITE: RewriteSettings = {
  ...USUAL_FEEDS,
  speeds: true,
  divide: true,
  arcToleranceMm: null,
};
