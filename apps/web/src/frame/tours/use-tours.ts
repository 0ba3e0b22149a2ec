import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { messageOf } from '../../api/client.ts';
import type { Tour } from './tours.ts';

/** Starts a tour; what it is run by comes when somebody asks for one. */
export function useTour(): (tour: Tour) => Promise<void> {
  const navigate = useNavigate();
  return useCallback(
    async (tour) => {
      try {
        const { runTour } = await import('./run-tour.ts');
        const end = await runTour(tour, (to) => void navigate(to));
        if (end === 'nothing to show') toast.info('This tour needs a draft on the desk. Create a job first.');
      } catch (error) {
        toast.error(messageOf(error));
      }
    },
    [navigate],
  );
}
