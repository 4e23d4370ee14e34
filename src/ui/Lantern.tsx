export type Lit = "dark" | "half" | "lit";

const WORDS: Readonly<Record<Lit, string>> = {
  dark: "nothing here yet",
  half: "something to look at",
  lit: "ready",
};

/** A small lantern that tells how far a room is: dark, half lit, lit. */
export function Lantern({ lit }: { lit: Lit }) {
  const height = lit === "lit" ? 10 : lit === "half" ? 5 : 0;
  return (
    <svg viewBox="0 0 20 24" className="h-6 w-5 shrink-0" role="img" aria-label={WORDS[lit]}>
      <path d="M5 9h10l1.5 11h-13z" className="fill-neutral" />
      {height > 0 && <rect x="6" y={19 - height} width="8" height={height} className="fill-primary" />}
      <path d="M4 9l6-7 6 7" fill="none" stroke="currentColor" strokeWidth="1.6" />
      <path d="M3 21.5h14" stroke="currentColor" strokeWidth="2" />
    </svg>
  );
}
