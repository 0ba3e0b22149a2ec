import { type CombinationDetail, type CombinationInput, mayEdit } from '@burl/contract';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { useCombinations, useJob, useSession } from '../../api/hooks.ts';
import { askedOf, type CutAsked, NOTHING_ASKED } from './cut-asked.ts';

type Wish = Pick<CombinationInput, 'machineId' | 'holderId' | 'cutterId' | 'stickOutMm'>;

/** What a bench sent along, to be remembered as a new combination. */
function wished(search: URLSearchParams): Wish | null {
  const [machineId, holderId, cutterId] = ['machine', 'holder', 'cutter'].map((k) => search.get(k));
  const stickOutMm = Number(search.get('out'));
  if (!machineId || !holderId || !cutterId || !(stickOutMm > 0)) return null;
  return { machineId, holderId, cutterId, stickOutMm };
}

/** Stick-outs this near are one combination, mm. */
const SAME_MM = 0.5;

const isMeant = (c: CombinationDetail, wish: Wish): boolean =>
  c.machineId === wish.machineId &&
  c.holderId === wish.holderId &&
  c.cutterId === wish.cutterId &&
  Math.abs(c.stickOutMm - wish.stickOutMm) <= SAME_MM;

/** The combination the address names or a bench means, and the cut that is asked of it. */
export function useCombination() {
  const { combination: id } = useParams();
  const [search] = useSearchParams();
  const combinations = useCombinations();
  const { data: all } = combinations;
  const { data: session } = useSession();
  const jobId = search.get('job');
  const operationId = search.get('op');
  const { data: job } = useJob(jobId ?? '');
  const [asked, setAsked] = useState<CutAsked | null>(null);
  const [making, setMaking] = useState<boolean | null>(null);
  const edit = session?.person ? mayEdit(session.person.role) : false;
  const wish = wished(search);
  const meant = wish && all?.find((c) => isMeant(c, wish));
  return {
    combinations,
    edit,
    /** What a new combination begins with. */
    wish,
    chosen: all?.find((c) => c.id === id) ?? (id ? undefined : (meant ?? all?.[0])),
    /** A new one is being made: somebody wants to, or a bench means one that is not there yet. */
    making: making ?? (wish !== null && !meant && !id && edit),
    setMaking,
    asked: asked ?? (jobId ? askedOf(job, operationId) : null) ?? NOTHING_ASKED,
    setAsked,
    /** The bench one came from. */
    bench: jobId && operationId ? `/jobs/${jobId}/ops/${operationId}` : null,
  };
}
