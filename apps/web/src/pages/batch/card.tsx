import type { ReactNode } from 'react';

/** A part of the batch with its name. */
export function BatchCard({
  title,
  children,
  aside,
}: {
  title: string;
  children: ReactNode;
  aside?: ReactNode;
}) {
  return (
    <section aria-label={title} className="min-w-0 rounded-lg border border-line bg-card p-3">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
        <h2>{title}</h2>
        {aside}
      </div>
      {children}
    </section>
  );
}

export const Num = ({ children }: { children: ReactNode }) => (
  <td className="py-1 pl-3 text-right whitespace-nowrap tabular-nums">{children}</td>
);

/** A small table: rows of a name and its numbers. */
export function Rows({ head, children }: { head: readonly string[]; children: ReactNode }) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={`Table: ${head.join(', ')}`}>
      <table className="w-full text-[13px]">
        <thead>
          <tr className="border-b border-line text-left text-soft">
            {head.map((h, i) => (
              <th key={h} scope="col" className={`py-1 font-normal ${i > 0 ? 'pl-3 text-right' : ''}`}>
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}
