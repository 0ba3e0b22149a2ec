import { Button } from '../../ui/button.tsx';

/** What the place is for, before a program is open. */
export function Opened({ onOpen }: { onOpen: () => void }) {
  return (
    <div className="m-auto max-w-xl rounded-xl border border-line bg-card p-6">
      <h2 className="mb-2 text-lg font-semibold">Open an NC program</h2>
      <p className="mb-3">
        Drop a file here, or open one. Burl reads it as the control does, cuts the material with it, and tells
        what differs from the release: speed, feed, depth, spikes in corners, arcs fed at their edge, rapids
        into material.
      </p>
      <p className="mb-4 text-soft">
        Choose a job above for its released numbers. Without one, path, rapids and what the control cannot do
        are still told. The machine is proved out by qualified people, whatever stands here.
      </p>
      <Button look="main" onClick={onOpen}>
        Open file
      </Button>
    </div>
  );
}
