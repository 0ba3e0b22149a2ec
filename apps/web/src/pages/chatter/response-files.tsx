import type { StoredResponse } from '@burl/contract';
import { writeResponseCsv, writeUniversalFile } from '@burl/core';
import { Download } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { saveFile } from '../../ui/save-file.ts';
import { asReceptance } from './stored-response.ts';
import type { Axis } from './use-tip-record.ts';

const save = (name: string, type: string, text: string): void => saveFile(name, new Blob([text], { type }));

/** A measured response as files others read. */
export function ResponseFiles({
  name,
  axis,
  response,
}: {
  name: string;
  axis: Axis;
  response: StoredResponse;
}) {
  const receptance = asReceptance(response);
  return (
    <section className="flex flex-wrap gap-2 rounded-lg border border-line bg-card p-3">
      <Button onClick={() => save(`${name}.csv`, 'text/csv', writeResponseCsv(receptance))}>
        <Download size={15} aria-hidden="true" /> CSV
      </Button>
      <Button
        onClick={() =>
          save(`${name}.uff`, 'text/plain', writeUniversalFile(receptance, { name, direction: axis }))
        }
      >
        <Download size={15} aria-hidden="true" /> Universal file
      </Button>
    </section>
  );
}
