import { capital } from "@/base";
import { clockOf, tellMoment } from "@/core/song/moments";
import { spansOfForm } from "@/core/song/read";
import { derive, useWholeVersionLater } from "../open";

/**
 * Bars that were marked where something went wrong, here or on stage, in the order of the song.
 * @param who whose they are besides everybody's; "" is anyone's
 */
export function MarkedBars({ who }: { readonly who: string }) {
  const body = useWholeVersionLater();
  const spans = spansOfForm(derive.timeline(body));
  const clock = clockOf(spans);
  const spots = Object.values(body.cues)
    .filter(({ danger }) => danger)
    .flatMap(({ id, useId, tick, text, playerId }) => {
      const span = spans.find(({ use }) => use.id === useId);
      const name = body.players[playerId ?? ""]?.name ?? "";
      const isAsked = who === "" || name === "" || name === who;
      return span && isAsked ? [{ id, at: span.from + tick, text, name }] : [];
    })
    .sort((a, b) => a.at - b.at);
  if (spots.length === 0) return null;
  return (
    <section aria-labelledby="marked-bars" className="mt-6">
      <h2 id="marked-bars" className="mb-2">
        Bars that were marked
      </h2>
      <ul>
        {spots.map(({ id, at, text, name }) => (
          <li key={id}>
            {capital(tellMoment(clock.momentAt(at)))}: {text}
            {name !== "" && `, ${name}`}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm">
        They stand in Cues as danger spots: what goes well again is taken out there.
      </p>
    </section>
  );
}
