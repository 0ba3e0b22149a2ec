import { operationAsItStands } from '@burl/contract';
import {
  type BlankSizes,
  checkProgram,
  guessStock,
  type MachineProgram,
  machineProgramOf,
  makeBlockTable,
  type Operation,
  type OperationContext,
  type Stock,
} from '@burl/core';

/** Blocks the simulated machine runs at most. */
const MOST = 200_000;

/** A kept program as the simulated machine runs it: with the loads its operation predicts. */
export function machineProgram(
  text: string,
  material: { readonly stock: Stock | null; readonly blank: BlankSizes | null },
  operation: { readonly document: Operation; readonly context: OperationContext } | null,
): MachineProgram {
  const table = makeBlockTable(MOST);
  const operations = operation
    ? [
        operationAsItStands(
          { id: '', name: '', document: operation.document, workOffset: '' },
          operation.context,
        ),
      ]
    : [];
  checkProgram(
    text,
    {
      operations,
      machine: operation?.context.machine ?? null,
      stock: material.stock ?? guessStock(text, material.blank)?.stock ?? null,
      cellMm: 0.5,
      clearPlaneMm: null,
    },
    (block) => table.add(block),
  );
  return machineProgramOf(table.table());
}
