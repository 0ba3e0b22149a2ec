import { type AttachedFile, MOST_TRIAL_FILE } from '@burl/contract';
import { Camera, Mic } from 'lucide-react';
import { useId } from 'react';
import { toast } from 'sonner';
import { messageOf } from '../../api/client.ts';
import { fileAsText } from '../../ui/file-text.ts';
import { shrunkPhoto } from '../../ui/shrink-photo.ts';

/** A photo or a recording, by the tablet's own camera or microphone where it has one. */
export function FilePick({
  what,
  name,
  onTake,
}: {
  what: 'photo' | 'recording';
  name: string | null;
  onTake: (file: AttachedFile) => void;
}) {
  const id = useId();
  const kinds = what === 'photo' ? /^image\// : /^audio\//;
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      onTake(
        await fileAsText(what === 'photo' ? await shrunkPhoto(file) : file, {
          most: MOST_TRIAL_FILE,
          kinds,
          allowed: what === 'photo' ? 'a picture' : 'a sound',
        }),
      );
    } catch (e) {
      toast.error(messageOf(e));
    }
  };
  return (
    <div>
      <label
        htmlFor={id}
        className="inline-flex min-h-12 cursor-pointer items-center gap-2 rounded-lg border-2 border-line bg-card px-3.5 font-semibold focus-within:outline-2 hover:bg-accent-soft"
      >
        {what === 'photo' ? <Camera size={18} aria-hidden="true" /> : <Mic size={18} aria-hidden="true" />}
        {name ?? (what === 'photo' ? 'Photo' : 'Recording')}
        <input
          id={id}
          type="file"
          accept={what === 'photo' ? 'image/*' : 'audio/*'}
          capture={what === 'photo' ? 'environment' : 'user'}
          className="sr-only"
          onChange={(e) => void take(e.target.files?.[0])}
        />
      </label>
    </div>
  );
}
