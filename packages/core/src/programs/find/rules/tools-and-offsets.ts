import { say } from '../../../units/sentence.ts';
import { isFeed } from '../block.ts';
import { makePlaces, type RuleMaker } from '../finding.ts';

/** Tool numbers, length offsets and work offsets that the sheet does not have. */
export const toolsAndOffsetsRule: RuleMaker = ({ expected }) => {
  const unknown = new Map<number, ReturnType<typeof makePlaces<null>>>();
  const length = makePlaces<{ tool: number; offset: number | null }>();
  const offset = makePlaces<{ got: string; wanted: string }>();
  return {
    see(block) {
      const { setting } = block.motion;
      if (!isFeed(block) || expected.length === 0) return;
      if (!block.expected) {
        const places = unknown.get(setting.tool) ?? makePlaces<null>();
        unknown.set(setting.tool, places);
        places.add(1, block, null);
      }
      if (setting.tool > 0 && setting.lengthOffset !== null && setting.lengthOffset !== setting.tool)
        length.add(1, block, { tool: setting.tool, offset: setting.lengthOffset });
      const wanted = block.expected?.operation.workOffset.trim().toUpperCase() ?? '';
      if (wanted && setting.workOffset && setting.workOffset.toUpperCase() !== wanted)
        offset.add(1, block, { got: setting.workOffset, wanted });
    },
    findings() {
      const known = expected
        .flatMap((e) => (e.operation.tool === null ? [] : [`T${e.operation.tool}`]))
        .join(', ');
      return [
        ...[...unknown].flatMap(([tool, places]) =>
          places.tell(() => ({
            rule: 'unknown-tool',
            gravity: 'stop',
            weight: 6,
            title: tool === 0 ? 'No tool is called' : 'Tool the sheet does not have',
            what: say(
              tool === 0
                ? 'It cuts before any tool is called: nothing says which cutter that is.'
                : `T${tool} cuts; the sheet has ${known || 'no tool of that number'}.`,
            ),
            remedy: say('Check the program against the sheet and the magazine before it runs.'),
          })),
        ),
        ...length.tell((l) => ({
          rule: 'length-offset',
          gravity: 'stop',
          weight: 7,
          title: 'Length of another tool',
          what: say(`T${l.detail.tool} runs with length H${l.detail.offset}.`),
          remedy: say(`Use H${l.detail.tool}, unless the shop numbers its lengths otherwise.`),
        })),
        ...offset.tell((o) => ({
          rule: 'work-offset',
          gravity: 'stop',
          weight: 7,
          title: 'Work offset of another setup',
          what: say(`${o.detail.got} is in force; the sheet says ${o.detail.wanted}.`),
          remedy: say(`Use ${o.detail.wanted}, or set the sheet right.`),
        })),
      ];
    },
  };
};
