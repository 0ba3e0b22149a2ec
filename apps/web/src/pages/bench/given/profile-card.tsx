import {
  formatMeasure,
  type ProfileElement,
  type TurnedProfile,
  type TurningOperation,
  withProfile,
} from '@burl/core';
import { FileDown, FileUp, Plus } from 'lucide-react';
import { useRef, useState } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { Button } from '../../../ui/button.tsx';
import { FileInput } from '../../../ui/file-input.tsx';
import { Grid } from '../../../ui/form-parts.tsx';
import { NumberFields } from '../../../ui/number-fields.tsx';
import { saveFile } from '../../../ui/save-file.ts';
import { Card, type CardProps } from './card.tsx';
import { drawingText } from './drawing-text.ts';
import { ProfileRows } from './profile-rows.tsx';

/** A profile that says what the stretch says now: one step as long as it is. */
const asStretch = ({ stretch: s }: TurningOperation): TurnedProfile => ({
  startMm: s.endMm,
  elements: [{ kind: 'step', toMm: s.endMm, lengthMm: s.lengthMm, radiusMm: null, side: 'bulging' }],
  skinMm: null,
  cornerMm: null,
});

const ADDED: readonly ProfileElement['kind'][] = ['step', 'cone', 'arc'];

/** A piece after the last: it leads on from there. */
function next(
  kind: ProfileElement['kind'],
  elements: readonly ProfileElement[],
  inside: boolean,
): ProfileElement {
  const from = elements.at(-1)?.toMm ?? 20;
  const toMm = inside ? Math.max(1, from - 4) : from + 4;
  return {
    kind,
    toMm,
    lengthMm: kind === 'arc' ? 2 : 10,
    radiusMm: kind === 'arc' ? 2 : null,
    side: 'hollow',
  };
}

/** The pieces of a profile, and what is left on it and in its corners. */
function ProfilePieces({
  profile,
  inside,
  readOnly,
  onChange,
}: {
  profile: TurnedProfile;
  inside: boolean;
  readOnly: boolean;
  onChange: (next: TurnedProfile) => void;
}) {
  return (
    <>
      <ProfileRows
        elements={profile.elements}
        readOnly={readOnly}
        onChange={(elements) => onChange({ ...profile, elements })}
      />
      {!readOnly && (
        <div className="flex flex-wrap gap-1.5">
          {ADDED.map((kind) => (
            <Button
              key={kind}
              onClick={() =>
                onChange({
                  ...profile,
                  elements: [...profile.elements, next(kind, profile.elements, inside)],
                })
              }
            >
              <Plus size={14} aria-hidden="true" /> {kind}
            </Button>
          ))}
        </div>
      )}
      <Grid>
        <NumberFields
          of={profile}
          fields={[
            ...(profile.elements[0]?.kind === 'step'
              ? []
              : ([{ key: 'startMm', label: 'Begins at diameter', unit: 'mm', empty: 0 }] as const)),
            {
              key: 'skinMm',
              label: 'Allowance on it',
              unit: 'mm',
              empty: null,
              hint: 'empty: from the full diameter',
            },
            {
              key: 'cornerMm',
              label: 'Inner corners allowed',
              unit: 'mm',
              empty: null,
              hint: 'empty: the nose’s own',
            },
          ]}
          readOnly={readOnly}
          onSet={(change) => onChange({ ...profile, ...change })}
        />
      </Grid>
    </>
  );
}

/** Steps, cones and arcs in place of one diameter, by hand or from a file. */
export function ProfileCard({ op, readOnly, onChange }: CardProps<TurningOperation>) {
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const picker = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const { stretch } = op;
  const profile = stretch.profile ?? null;
  const inside = stretch.way === 'inside';
  const set = (to: TurnedProfile | null): void => onChange({ ...op, stretch: withProfile(stretch, to) });
  const read = async (file: File): Promise<void> => {
    const drawing = await drawingText(file);
    if ('refused' in drawing) {
      setRefused(drawing.refused);
      return;
    }
    const { readProfileFile } = await import('@burl/contract/profile-file/read-profile-file');
    const result = readProfileFile(file.name, drawing.text, inside);
    setRefused(result.ok ? null : `${file.name}: ${result.error}. Nothing was changed.`);
    if (result.ok)
      set({ ...result.profile, skinMm: profile?.skinMm ?? null, cornerMm: profile?.cornerMm ?? null });
  };
  const save = async (of: TurnedProfile): Promise<void> => {
    const { profileCsv } = await import('@burl/contract/profile-file/profile-from-csv');
    saveFile('profile.csv', new Blob([profileCsv(of)], { type: 'text/csv' }));
  };
  if (stretch.way === 'face') return null;
  return (
    <Card
      title="Profile"
      label={
        profile
          ? `${profile.elements.length} ${profile.elements.length === 1 ? 'piece' : 'pieces'}, ${mm(stretch.lengthMm)} long`
          : 'One diameter'
      }
      lines={
        profile
          ? [profile.skinMm === null ? 'from the full diameter' : `allowance ${mm(profile.skinMm)}`]
          : []
      }
    >
      {() => (
        <div className="space-y-2">
          {profile ? (
            <ProfilePieces profile={profile} inside={inside} readOnly={readOnly} onChange={set} />
          ) : (
            <p className="text-[13px] text-soft">
              From the free end towards the jaws: steps, cones and arcs, or a half profile from a drawing
              (DXF, y is the radius) or a table (CSV with z and d).
            </p>
          )}
          {refused && (
            <p role="alert" className="text-[13px] text-over">
              {refused}
            </p>
          )}
          <div className="flex flex-wrap gap-1.5">
            {!readOnly && !profile && <Button onClick={() => set(asStretch(op))}>Enter pieces</Button>}
            {!readOnly && (
              <Button onClick={() => picker.current?.click()}>
                <FileUp size={14} aria-hidden="true" /> DXF or CSV
              </Button>
            )}
            {profile && (
              <Button onClick={() => void save(profile)}>
                <FileDown size={14} aria-hidden="true" /> CSV
              </Button>
            )}
            {!readOnly && profile && <Button onClick={() => set(null)}>One diameter</Button>}
          </div>
          <FileInput
            refOf={picker}
            label="Profile file"
            accept=".dxf,.csv,text/csv"
            onTake={(file) => void read(file)}
          />
        </div>
      )}
    </Card>
  );
}
