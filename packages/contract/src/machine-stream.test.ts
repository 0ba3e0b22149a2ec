import { describe, expect, it } from 'vitest';
import { readStreams, streamsXml } from './machine-stream.ts';

const SAMPLES = [41, 42].map((sequence) => ({
  sequence,
  line: sequence - 30,
  loadPercent: 37.5,
  speedRpm: 1060,
  feedMmMin: 318,
  feedOverridePercent: 100,
}));
const HEADER = {
  device: 'mill',
  timeOf: (n: number) => new Date(n * 500).toISOString(),
  firstSequence: 1,
  lastSequence: 99,
};

describe('a stream of a machine', () => {
  it('is XML of the open standard, and comes back as it went out', () => {
    const xml = streamsXml(SAMPLES, HEADER);
    expect(xml).toContain('<MTConnectStreams xmlns="urn:mtconnect.org:MTConnectStreams:1.7">');
    expect(xml).toContain('nextSequence="43"');
    expect(readStreams(xml)).toEqual({ samples: SAMPLES, nextSequence: 43 });
  });

  it('may hold one sample, or none', () => {
    expect(readStreams(streamsXml(SAMPLES.slice(0, 1), HEADER)).samples).toEqual(SAMPLES.slice(0, 1));
    expect(readStreams(streamsXml([], HEADER))).toEqual({ samples: [], nextSequence: 100 });
  });

  it('is refused where it is something else', () => {
    expect(() => readStreams('<html></html>')).toThrow('no MTConnect stream');
  });
});
