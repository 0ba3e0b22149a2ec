import 'driver.js/dist/driver.css';
import type { JobDetail, JobSummary } from '@burl/contract';
import { asQuery } from '@burl/contract';
import { driver } from 'driver.js';
import { get } from '../../api/client.ts';
import type { Tour } from './tours.ts';

/** How long a screen may take to bring what a step points at, ms. */
const PATIENCE_MS = 8000;

/** The first element a selector finds, as soon as it is on the page; null when it does not come. */
function arrival(selector: string): Promise<Element | null> {
  const there = document.querySelector(selector);
  if (there) return Promise.resolve(there);
  return new Promise((resolve) => {
    const end = (found: Element | null): void => {
      observer.disconnect();
      clearTimeout(timer);
      resolve(found);
    };
    const observer = new MutationObserver(() => {
      const found = document.querySelector(selector);
      if (found) end(found);
    });
    const timer = setTimeout(() => end(null), PATIENCE_MS);
    observer.observe(document.body, { childList: true, subtree: true });
  });
}

/** A draft to show, and the operation of it that has most to say; null where the desk has none. */
async function draftToShow(): Promise<{ job: string; operation: string } | null> {
  const drafts = await get<JobSummary[]>(`/api/jobs${asQuery({ status: 'draft', most: 10 })}`);
  const job = drafts.find((j) => j.governing && j.governing.state !== 'clear') ?? drafts[0];
  if (!job) return null;
  const { setups } = await get<JobDetail>(`/api/jobs/${job.id}`);
  const operation = job.governing?.operationId ?? setups.flatMap((s) => s.operations)[0]?.id;
  return operation ? { job: job.id, operation } : null;
}

/** Runs a tour step by step on the real screens; leaving it at any step leaves one where one is. Resolves when it is over. */
export async function runTour(
  tour: Tour,
  navigate: (to: string) => unknown,
): Promise<'done' | 'left' | 'nothing to show'> {
  const needed = tour.steps.some((s) => s.at?.includes('{job}'));
  const draft = needed ? await draftToShow() : null;
  if (needed && !draft) return 'nothing to show';
  const last = tour.steps.length - 1;
  const calm = matchMedia('(prefers-reduced-motion: reduce)').matches;
  const guide = driver({ animate: !calm, smoothScroll: !calm, popoverClass: 'tour', allowClose: true });
  try {
    for (const [i, step] of tour.steps.entries()) {
      if (step.at)
        navigate(step.at.replace('{job}', draft?.job ?? '').replace('{operation}', draft?.operation ?? ''));
      const element = await arrival(step.points);
      const on = await new Promise<boolean>((resolve) => {
        guide.setConfig({ ...guide.getConfig(), onDestroyed: () => resolve(false) });
        guide.highlight({
          ...(element ? { element } : {}),
          popover: {
            title: step.title,
            description: step.text,
            showButtons: ['next', 'close'],
            nextBtnText: i === last ? 'Done' : `Next, ${i + 2} of ${last + 1}`,
            onNextClick: () => resolve(true),
          },
        });
      });
      if (!on) return 'left';
    }
    return 'done';
  } finally {
    guide.destroy();
  }
}
