/** On paper: cautions that every operation carries, once. */
export function SharedCautions({ list }: { list: readonly string[] }) {
  if (list.length === 0) return null;
  return (
    <section aria-hidden="true" className="hidden rounded-lg border-2 border-tight p-2.5 print:block">
      <h3>Cautions for every operation</h3>
      <ul className="list-disc pl-5">
        {list.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
    </section>
  );
}
