import {
  CUTTER_FAMILIES,
  type CutterFamily,
  type Followed,
  type Given,
  HOLDER_KINDS,
  holderChoices,
  holderFields,
  holderOfClass,
  InputError,
  INTERFACES,
  MACHINE_CLASSES,
  machineFields,
  machineOfClass,
  type NumberField,
  ofFamily,
  type ChoiceField,
} from '@burl/core';
import type { CribDocuments, CribKind } from '@burl/contract';

/** What a family asks for, and what comes of it. */
export interface Making {
  readonly choices: readonly ChoiceField[];
  readonly fields: readonly NumberField[];
  readonly document: CribDocuments[CribKind] | null;
  readonly followed: readonly Followed[];
  /** What is wrong, by the key of its field. */
  readonly problems: ReadonlyMap<string, string>;
}

export interface Family {
  readonly id: string;
  readonly name: string;
  readonly make: (given: Given) => Making;
}

type Made = { readonly document: CribDocuments[CribKind]; readonly followed: readonly Followed[] };

function making(choices: readonly ChoiceField[], fields: readonly NumberField[], make: () => Made): Making {
  try {
    return { choices, fields, problems: new Map(), ...make() };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return {
      choices,
      fields,
      document: null,
      followed: [],
      problems: new Map(error.problems.map((p) => [p.field, `allowed: ${p.allowed}`])),
    };
  }
}

const ofCutters = (family: CutterFamily): Family => ({
  id: family.id,
  name: family.name,
  make: (given) =>
    making(family.choices, family.fields, () => {
      const { cutter, followed } = ofFamily(family, given);
      return { document: cutter, followed };
    }),
});

const spindles: ChoiceField = {
  key: 'interface',
  label: 'Spindle',
  options: INTERFACES.map((value) => ({ value, label: value })),
};

/** Families of each kind of entry; alloys have none: an alloy is a copy of its nearest. */
export const FAMILIES: Readonly<Record<CribKind, readonly Family[]>> = {
  alloys: [],
  cutters: CUTTER_FAMILIES.map(ofCutters),
  holders: Object.entries(HOLDER_KINDS).map(([kind, { label }]) => ({
    id: kind,
    name: label,
    make: (given) =>
      making(
        holderChoices(kind).filter((c) => c.key !== 'kind'),
        holderFields,
        () => {
          const { holder, followed } = holderOfClass({ ...given, kind });
          return { document: holder, followed };
        },
      ),
  })),
  machines: Object.entries(MACHINE_CLASSES).map(([name, of]) => ({
    id: name,
    name: of.label,
    make: (given) =>
      making(
        [{ ...spindles, options: [...spindles.options].sort((a) => (a.value === of.interface ? -1 : 0)) }],
        machineFields(of),
        () => {
          const { machine, followed } = machineOfClass({ ...given, class: name });
          return { document: machine, followed };
        },
      ),
  })),
};
