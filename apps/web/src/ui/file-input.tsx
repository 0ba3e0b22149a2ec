import type { Ref } from 'react';

/** A file to be chosen by a button that stands elsewhere; the same one can be chosen again. */
export const FileInput = ({
  refOf,
  label,
  accept,
  onTake,
}: {
  refOf: Ref<HTMLInputElement>;
  label: string;
  accept: string;
  onTake: (file: File) => void;
}) => (
  <input
    ref={refOf}
    type="file"
    accept={accept}
    aria-label={label}
    className="sr-only"
    tabIndex={-1}
    onChange={(e) => {
      const file = e.target.files?.[0];
      e.target.value = '';
      if (file) onTake(file);
    }}
  />
);
