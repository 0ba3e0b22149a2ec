import {
  CUTTER_FAMILIES,
  type CutterFamily,
  type Followed,
  type Form,
  type Given,
  HOLDER_KINDS,
  holderForm,
  holderOfClass,
  InputError,
  MACHINE_CLASSES,
  machineForm,
  machineOfClass,
  ofFamily,
  usualNumbers,
} from '@burl/core';
import type { CribDocuments, CribKind } from '@burl/contract';

/** What a family asks for, and what comes of it. */
export interface Making extends Form {
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

function making(form: Form, given: Given, make: () => Made): Making {
  const asked = { ...form, usual: usualNumbers(form, given) };
  try {
    return { ...asked, problems: new Map(), ...make() };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return {
      ...asked,
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
    making(family, given, () => {
      const { cutter, followed } = ofFamily(family, given);
      return { document: cutter, followed };
    }),
});

/** Families of each kind of entry; alloys have none: an alloy is a copy of its nearest. */
export const FAMILIES: Readonly<Record<CribKind, readonly Family[]>> = {
  alloys: [],
  cutters: CUTTER_FAMILIES.map(ofCutters),
  holders: Object.entries(HOLDER_KINDS).map(([kind, { label }]) => ({
    id: kind,
    name: label,
    make: (given) =>
      making(holderForm(kind), given, () => {
        const { holder, followed } = holderOfClass({ ...given, kind });
        return { document: holder, followed };
      }),
  })),
  machines: Object.entries(MACHINE_CLASSES).map(([name, { label }]) => ({
    id: name,
    name: label,
    make: (given) =>
      making(machineForm(name), given, () => {
        const { machine, followed } = machineOfClass({ ...given, class: name });
        return { document: machine, followed };
      }),
  })),
};
