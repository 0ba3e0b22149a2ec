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
  /** What stands where nothing is typed. */
  readonly usual: Given;
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

/** What each field is where nothing was typed, each from those before it. */
function usualOf(choices: readonly ChoiceField[], fields: readonly NumberField[], given: Given): Given {
  const all: Record<string, number | string> = { ...given };
  for (const { key, options } of choices) all[key] = given[key] ?? options[0]!.value;
  const usual: Record<string, number | string> = {};
  for (const { key, usual: by } of fields) {
    usual[key] = by(all);
    all[key] = given[key] ?? usual[key];
  }
  return usual;
}

function making(
  choices: readonly ChoiceField[],
  fields: readonly NumberField[],
  given: Given,
  make: () => Made,
): Making {
  const usual = usualOf(choices, fields, given);
  try {
    return { choices, fields, usual, problems: new Map(), ...make() };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return {
      choices,
      fields,
      usual,
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
    making(family.choices, family.fields, given, () => {
      const { cutter, followed } = ofFamily(family, given);
      return { document: cutter, followed };
    }),
});

/** Spindles to choose from, the one most likely first. */
const spindlesFrom = (first: string): ChoiceField => ({
  key: 'interface',
  label: 'Spindle',
  options: [first, ...INTERFACES.filter((i) => i !== first)].map((value) => ({ value, label: value })),
});
const USUAL_SPINDLE = 'BT40';

/** Families of each kind of entry; alloys have none: an alloy is a copy of its nearest. */
export const FAMILIES: Readonly<Record<CribKind, readonly Family[]>> = {
  alloys: [],
  cutters: CUTTER_FAMILIES.map(ofCutters),
  holders: Object.entries(HOLDER_KINDS).map(([kind, { label }]) => ({
    id: kind,
    name: label,
    make: (given) =>
      making(
        [...holderChoices(kind).filter((c) => c.key === 'size'), spindlesFrom(USUAL_SPINDLE)],
        holderFields,
        { ...given, kind },
        () => {
          const { holder, followed } = holderOfClass({ interface: USUAL_SPINDLE, ...given, kind });
          return { document: holder, followed };
        },
      ),
  })),
  machines: Object.entries(MACHINE_CLASSES).map(([name, of]) => ({
    id: name,
    name: of.label,
    make: (given) =>
      making([spindlesFrom(of.interface)], machineFields(of), given, () => {
        const { machine, followed } = machineOfClass({ ...given, class: name });
        return { document: machine, followed };
      }),
  })),
};
