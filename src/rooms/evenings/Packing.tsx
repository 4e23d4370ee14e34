import { packingLists, type SongEdges, tellPacking } from "@/core/evenings";

/** What everybody packs for the evening. */
export function Packing({ edges }: { edges: readonly SongEdges[] }) {
  const lists = packingLists(edges);
  if (lists.length === 0) return null;
  return (
    <details className="rounded-box bg-base-200 p-4">
      <summary className="cursor-pointer font-bold">What everybody packs</summary>
      <dl aria-label="Packing lists" className="mt-2 text-sm">
        {lists.map((list) => (
          <div key={list.person} className="mb-2">
            <dt className="font-bold">{list.name}</dt>
            <dd>{tellPacking(list).join(" · ")}</dd>
          </div>
        ))}
      </dl>
      <p className="text-sm">Tested leads, one earthed supply, spare strings, tuner.</p>
    </details>
  );
}
