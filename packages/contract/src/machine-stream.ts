import type { MachineSample } from '@burl/core';
import { XMLBuilder, XMLParser } from 'fast-xml-parser';

/** Where a stream begins and goes on. */
export interface StreamHeader {
  readonly device: string;
  /** Wall clock of a sample. */
  readonly timeOf: (sequence: number) => string;
  readonly firstSequence: number;
  /** Sequence of the newest sample there is. */
  readonly lastSequence: number;
}

const options = { ignoreAttributes: false, attributeNamePrefix: '@', format: true } as const;

const items = (
  samples: readonly MachineSample[],
  header: StreamHeader,
  of: (s: MachineSample) => string | number,
  id: string,
) =>
  samples.map((s) => ({
    '@dataItemId': id,
    '@sequence': s.sequence,
    '@timestamp': header.timeOf(s.sequence),
    '#text': of(s),
  }));

/** Samples as a document of MTConnect streams: line, override, load and speed, each with its sequence and moment. */
export function streamsXml(samples: readonly MachineSample[], header: StreamHeader): string {
  const next = (samples.at(-1)?.sequence ?? header.lastSequence) + 1;
  return new XMLBuilder(options).build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    MTConnectStreams: {
      '@xmlns': 'urn:mtconnect.org:MTConnectStreams:1.7',
      Header: {
        '@creationTime': header.timeOf(header.lastSequence),
        '@sender': 'burl-stand-in',
        '@instanceId': 1,
        '@version': '1.7',
        '@bufferSize': 100_000,
        '@firstSequence': header.firstSequence,
        '@lastSequence': header.lastSequence,
        '@nextSequence': next,
      },
      Streams: {
        DeviceStream: {
          '@name': header.device,
          '@uuid': `stand-in-${header.device}`,
          ComponentStream: {
            '@component': 'Path',
            '@name': 'path',
            '@componentId': 'p1',
            Samples: {
              Load: items(samples, header, (s) => s.loadPercent.toFixed(1), 'load'),
              RotaryVelocity: items(samples, header, (s) => Math.round(s.speedRpm), 'speed'),
              PathFeedrate: items(samples, header, (s) => s.feedMmMin.toFixed(1), 'feed'),
            },
            Events: {
              LineNumber: items(samples, header, (s) => s.line, 'line'),
              PathFeedrateOverride: items(samples, header, (s) => s.feedOverridePercent, 'override'),
              Execution: items(samples, header, (s) => (s.line > 0 ? 'ACTIVE' : 'READY'), 'execution'),
            },
          },
        },
      },
    },
  }) as string;
}

interface Item {
  readonly '@sequence': string;
  readonly '#text': string | number;
}

/** Reads a document of streams. Throws with what is wrong where it is none. */
export function readStreams(xml: string): {
  readonly samples: readonly MachineSample[];
  readonly nextSequence: number;
} {
  const lists = ['Load', 'RotaryVelocity', 'PathFeedrate', 'LineNumber', 'PathFeedrateOverride', 'Execution'];
  const parsed = new XMLParser({ ...options, isArray: (name) => lists.includes(name) }).parse(xml) as {
    MTConnectStreams?: {
      Header: { '@nextSequence': string };
      Streams: {
        DeviceStream: {
          ComponentStream: { Samples: Record<string, Item[]>; Events: Record<string, Item[]> };
        };
      };
    };
  };
  const streams = parsed.MTConnectStreams;
  if (!streams) throw new Error('the machine answered with something that is no MTConnect stream');
  const { Samples, Events } = streams.Streams.DeviceStream.ComponentStream;
  const byNumber = (list: readonly Item[] | undefined): ReadonlyMap<number, number> =>
    new Map((list ?? []).map((i) => [Number(i['@sequence']), Number(i['#text'])]));
  const [load, speed, feed] = ['Load', 'RotaryVelocity', 'PathFeedrate'].map((k) => byNumber(Samples?.[k]));
  const override = byNumber(Events?.['PathFeedrateOverride']);
  const samples = [...byNumber(Events?.['LineNumber'])].map(([sequence, line]): MachineSample => ({
    sequence,
    line,
    loadPercent: load!.get(sequence) ?? 0,
    speedRpm: speed!.get(sequence) ?? 0,
    feedMmMin: feed!.get(sequence) ?? 0,
    feedOverridePercent: override.get(sequence) ?? 100,
  }));
  return { samples, nextSequence: Number(streams.Header['@nextSequence']) };
}
