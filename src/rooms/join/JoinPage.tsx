"use client";

import { type FormEvent, type RefObject, useCallback, useEffect, useRef, useState } from "react";
import { call, joinEvening } from "@/api";
import { deviceMeans } from "./device-means";

/**
 * Joins an evening: by the code the leader shows, or as the leader by the passphrase. The fields hold what is typed by
 * themselves: on a slow phone somebody types before the script is there, and none of it may be lost. They have no names, so
 * that no secret gets into an address.
 */
export function JoinPage() {
  const code = useRef<HTMLInputElement>(null);
  const passphrase = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState("");
  const [busy, setBusy] = useState(false);
  const join = useCallback(async (secret: { code: string } | { passphrase: string }) => {
    setBusy(true);
    setSaid("");
    const joined = await call(joinEvening, { sent: secret });
    if (joined.ok)
      return location.replace(("passphrase" in secret && cameFrom()) || `/live/${joined.answer.eveningId}`);
    setSaid(
      joined.status === "away"
        ? "The leader’s machine does not answer. Are you on the same network?"
        : joined.message,
    );
    setBusy(false);
  }, []);
  useEffect(() => {
    // The code comes behind the address of a QR code; it is taken out of it before anything else.
    const brought = location.hash.slice(1);
    if (brought === "") return;
    history.replaceState(null, "", location.pathname);
    if (code.current) code.current.value = brought;
    void join({ code: brought });
  }, [join]);
  const onSubmit =
    (name: "code" | "passphrase", field: RefObject<HTMLInputElement | null>) => (event: FormEvent) => {
      event.preventDefault();
      const typed = field.current?.value ?? "";
      void join(name === "code" ? { code: typed } : { passphrase: typed });
    };
  return (
    <main className="mx-auto max-w-xl px-4 py-8">
      <h1 className="mb-4">Join the evening</h1>
      <form className="mb-4 flex flex-wrap items-end gap-3" onSubmit={onSubmit("code", code)}>
        <label className="flex flex-col">
          The code on the leader’s screen
          <input
            className="input w-56 font-mono text-2xl uppercase"
            autoComplete="off"
            autoCapitalize="characters"
            spellCheck={false}
            maxLength={12}
            required
            ref={code}
          />
        </label>
        <button type="submit" className="btn btn-primary btn-lg" disabled={busy}>
          Join
        </button>
      </form>
      <p role="alert" className="mb-4 min-h-6 font-bold text-error">
        {said}
      </p>
      <details className="mb-6">
        <summary className="cursor-pointer">I lead this evening</summary>
        <form className="mt-2 flex flex-wrap items-end gap-3" onSubmit={onSubmit("passphrase", passphrase)}>
          <label className="flex flex-col">
            The leader’s passphrase
            <input
              type="password"
              className="input w-64"
              autoComplete="current-password"
              required
              ref={passphrase}
            />
          </label>
          <button type="submit" className="btn" disabled={busy}>
            Lead
          </button>
        </form>
      </details>
      <Means />
    </main>
  );
}

/** The page of ours that asked for the passphrase, to go back to; null where there is none. */
function cameFrom(): string | null {
  const from = URL.canParse(document.referrer) ? new URL(document.referrer) : null;
  return from?.origin === location.origin && from.pathname !== "/join" ? from.pathname : null;
}

/** What this device can do, and what it can't as it has come in. */
function Means() {
  const [means, setMeans] = useState<ReturnType<typeof deviceMeans>>([]);
  useEffect(() => setMeans(deviceMeans(window)), []);
  return (
    <section aria-label="What this device can do">
      <h2 className="mb-2">What this device can do</h2>
      <ul className="flex flex-col gap-1">
        {means.map(({ what, can, words }) => (
          <li key={what} className="flex gap-3 border-b border-base-300 py-1">
            <strong className="w-10 shrink-0">{can ? "yes" : "no"}</strong>
            <span>
              {what}
              {words !== "" && <span className="block text-sm">{words}</span>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
