import type { Recording } from '@burl/core';
import { useEffect, useState } from 'react';
import { messageOf } from '../../api/client.ts';

/** Recordings that ship with Burl, made by running cuts step by step. */
export const SHIPPED = [
  { name: 'stable, 5 flutes, 2,400 rpm', file: 'calm.wav', rpm: 2400, teeth: 5, depthMm: 1.2 },
  { name: 'chatter, 5 flutes, 2,400 rpm', file: 'chatter.wav', rpm: 2400, teeth: 5, depthMm: 4.5 },
  { name: 'period-doubling, 2 flutes, 10,500 rpm', file: 'flip.wav', rpm: 10500, teeth: 2, depthMm: 3.6 },
] as const;
type Shipped = (typeof SHIPPED)[number];

/** Longest recording by the microphone, s. */
const LONGEST_S = 20;

/** A sound that is looked into. */
export interface Loaded {
  readonly name: string;
  readonly sound: Recording;
  /** What the browser plays. */
  readonly url: string;
  /** A recording that ships with Burl: its own cut, and no machine's. */
  readonly shipped: Shipped | null;
}

async function soundOf(name: string, bytes: ArrayBuffer): Promise<Recording> {
  if (/\.wav$/i.test(name)) {
    const { readWav } = await import('@burl/core/wav');
    return readWav(new Uint8Array(bytes));
  }
  const audio = new AudioContext();
  const buffer = await audio.decodeAudioData(bytes);
  await audio.close();
  return { rate: buffer.sampleRate, samples: Float64Array.from(buffer.getChannelData(0)) };
}

/** Recordings from Burl, from files and from the microphone, one at a time. */
export interface Recorder {
  readonly recording: Loaded | null;
  readonly failed: string | null;
  readonly ship: (shipped: Shipped) => void;
  readonly read: (file: File) => void;
  /** Starts the microphone, or ends it while it runs. */
  readonly microphone: () => void;
  readonly listening: boolean;
}

/** `begun` is told of each new recording before it is read: what was said of the one before counts no more. */
export function useRecording(begun: (shipped: Shipped | null) => void): Recorder {
  const [recording, setRecording] = useState<Loaded | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const [listening, setListening] = useState<MediaRecorder | null>(null);
  const url = recording?.url;
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);

  async function decode(name: string, bytes: ArrayBuffer, shipped: Shipped | null = null): Promise<void> {
    setFailed(null);
    begun(shipped);
    try {
      const sound = await soundOf(name, bytes);
      setRecording({ name, shipped, sound, url: URL.createObjectURL(new Blob([bytes])) });
    } catch (error) {
      setRecording(null);
      setFailed(messageOf(error));
    }
  }

  async function listen(): Promise<void> {
    setFailed(null);
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        // The browser's own cleaning would take away just what is listened for.
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      });
      const recorder = new MediaRecorder(stream);
      const pieces: Blob[] = [];
      recorder.ondataavailable = (e) => pieces.push(e.data);
      recorder.onstop = () => {
        stream.getTracks().forEach((t) => t.stop());
        setListening(null);
        void new Blob(pieces).arrayBuffer().then((bytes) => decode('microphone', bytes));
      };
      recorder.start();
      setListening(recorder);
      setTimeout(() => recorder.state === 'recording' && recorder.stop(), LONGEST_S * 1000);
    } catch (error) {
      setFailed(`The microphone cannot be used: ${messageOf(error)}`);
    }
  }

  return {
    recording,
    failed,
    listening: listening !== null,
    ship: (shipped) => {
      fetch(`/sounds/${shipped.file}`)
        .then((r) => r.arrayBuffer())
        .then((bytes) => decode(shipped.file, bytes, shipped))
        .catch((e: unknown) => setFailed(messageOf(e)));
    },
    read: (file) => void file.arrayBuffer().then((bytes) => decode(file.name, bytes)),
    microphone: () => (listening ? listening.stop() : void listen()),
  };
}
