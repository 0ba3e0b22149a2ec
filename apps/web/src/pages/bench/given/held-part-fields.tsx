import { type OperationBase, PART_SUPPORTS, type PartSupport } from '@burl/core';
import { Choice } from '../../../ui/form-parts.tsx';
import { NumberFields } from '../../../ui/number-fields.tsx';

export const SUPPORTS: Readonly<Record<PartSupport, string>> = {
  chuck: 'chuck alone',
  tailstock: 'tailstock',
  steady: 'steady rest',
};

/** What holds the free end. */
export const SupportChoice = ({
  value,
  readOnly,
  onTake,
}: {
  value: PartSupport;
  readOnly: boolean;
  onTake: (support: PartSupport) => void;
}) => (
  <Choice
    label="Free end"
    value={value}
    options={PART_SUPPORTS}
    nameOf={(v) => SUPPORTS[v]}
    readOnly={readOnly}
    onTake={onTake}
  />
);

/** How many there are, how often the edge is looked at, and how many edges lie ready. */
export const CountFields = <O extends OperationBase>({
  op,
  readOnly,
  onChange,
}: {
  op: O;
  readOnly: boolean;
  onChange: (next: O) => void;
}) => (
  <NumberFields<Pick<OperationBase, 'featuresPerPart' | 'featuresPerEdge' | 'edgesOnShelf'>>
    of={op}
    fields={[
      { key: 'featuresPerPart', label: 'Of these per part', unit: 'pieces' },
      { key: 'featuresPerEdge', label: 'Inspect edge every … parts', unit: 'pieces' },
      {
        key: 'edgesOnShelf',
        label: 'Edges in stock',
        unit: 'pieces',
        empty: null,
        hint: 'empty: as the crib counts',
      },
    ]}
    readOnly={readOnly}
    onSet={(change) => onChange({ ...op, ...change })}
  />
);
