import { useCallback, useEffect, useState } from "react";
import {
  type Called,
  call,
  changeNetwork,
  type Joining,
  type NetworkAct,
  type NetworkStatus,
  readNetwork,
  stagePeople,
} from "@/api";
import { QrCode } from "@/ui/QrCode";
import { useOpenEvening } from "../open";
import { changeKept } from "../stage";

type Person = { readonly person: string; readonly name: string };

const REFRESH_MS = 4000;
const ROLE_WORDS = { leader: "leads", player: "plays", viewer: "looks on" } as const;

/** Asks and tells the server; `said` is what it could not do. */
function useNetwork() {
  const [status, setStatus] = useState<NetworkStatus | null>(null);
  const [said, setSaid] = useState("");
  const [isLeader, setLeader] = useState(true);
  const take = useCallback((called: Called<NetworkStatus, unknown>) => {
    if (!called.ok && called.status === "away") return false;
    setLeader(called.status !== 403);
    if (called.ok) setStatus(called.answer);
    // That this window is not the leader's is said plainly below, not as something that went wrong.
    else if (called.status !== 403) setSaid(called.message);
    return true;
  }, []);
  useEffect(() => {
    const ask = () => void call(readNetwork).then(take);
    ask();
    const timer = setInterval(() => document.visibilityState === "visible" && ask(), REFRESH_MS);
    return () => clearInterval(timer);
  }, [take]);
  const tell = async (wanted: NetworkAct) => {
    setSaid("");
    if (!take(await call(changeNetwork, { sent: wanted })))
      setSaid("The server does not answer. Nothing was changed.");
  };
  return { status, said, isLeader, tell };
}

/** From the running order to the stage: on this screen, and on everybody else's. */
export function OnStagePanel() {
  const { evening } = useOpenEvening();
  const { status, said, isLeader, tell } = useNetwork();
  const goAs = (leads: boolean) => {
    changeKept({ leads });
    location.assign(`/live/${evening.id}`);
  };
  const isThis = status?.open === true && status.eveningId === evening.id;
  return (
    <section aria-label="On stage" className="mb-5 rounded-box border border-base-300 bg-base-200 p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-2">On stage</h2>
        <button type="button" className="btn btn-primary" onClick={() => goAs(true)}>
          Lead it on this screen
        </button>
        <button type="button" className="btn" onClick={() => goAs(false)}>
          Follow it on this screen
        </button>
      </div>
      {!isLeader && (
        <p className="mt-3">
          <strong>This window reads along.</strong> An evening is open to the network; who leads it has given
          the passphrase. To change anything here,{" "}
          <a className="btn btn-sm" href="/join">
            Give the passphrase
          </a>
        </p>
      )}
      {isLeader && !status && (
        <p role="status" className="mt-3 min-h-30">
          Asking whether it is open to the network…
        </p>
      )}
      {isLeader && status && !isThis && (
        <OpenForm
          secure={status.secure}
          other={status.open}
          onOpen={(passphrase) => tell({ act: "open", eveningId: evening.id, passphrase })}
        />
      )}
      {isLeader && isThis && <OpenEvening status={status} eveningId={evening.id} tell={tell} />}
      {said !== "" && (
        <p role="alert" className="mt-2 font-bold text-error">
          {said}
        </p>
      )}
    </section>
  );
}

function OpenForm({
  secure,
  other,
  onOpen,
}: {
  secure: boolean;
  other: boolean;
  onOpen: (passphrase: string) => void;
}) {
  const [passphrase, setPassphrase] = useState("");
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onOpen(passphrase);
      }}
    >
      <p className="w-full">
        Nobody but this machine reaches it now. Open it, and everybody on the same network joins with a code.
        {secure ? " The line is encrypted." : " The line is not encrypted: use a network you trust."}
        {other && " Another evening is open; opening this one ends that."}
      </p>
      <label className="flex flex-col text-sm">
        The leader’s passphrase, made up now: 8 signs or more, best three words that don’t belong together
        <input
          type="password"
          className="input w-72"
          autoComplete="new-password"
          value={passphrase}
          minLength={8}
          required
          onChange={(event) => setPassphrase(event.target.value)}
        />
      </label>
      <button type="submit" className="btn">
        Open it to the network
      </button>
    </form>
  );
}

function OpenEvening({
  status,
  eveningId,
  tell,
}: {
  status: Extract<NetworkStatus, { open: true }>;
  eveningId: string;
  tell: (wanted: NetworkAct) => void;
}) {
  const [people, setPeople] = useState<readonly Person[]>([]);
  useEffect(() => {
    void call(stagePeople, { params: { eveningId } }).then(
      (found) => found.ok && setPeople(found.answer.people),
    );
  }, [eveningId]);
  const nameOf = (person: string | null) =>
    people.find((one) => one.person === person)?.name ?? "has not said who";
  const [address, ...more] = status.addresses;
  return (
    <div className="mt-3">
      {!status.listening && (
        <p role="alert" className="mb-2 font-bold text-error">
          It is marked as open, but the server does not listen: close it and open it again.
        </p>
      )}
      <p className="mb-3">
        Open at{" "}
        {address ? (
          <strong className="font-mono">{address}/join</strong>
        ) : (
          "no address: this machine is on no network"
        )}
        {more.length > 0 && <> (or {more.join(", ")})</>}.{" "}
        {!status.secure && "The line is not encrypted: use a network you trust. "}
        Changes to songs need the passphrase while it is open.
      </p>
      <div className="grid gap-4 sm:grid-cols-2">
        <CodeCard of="player" words="Players" joining={status.player} tell={tell} />
        <CodeCard of="viewer" words="Who only looks on" joining={status.viewer} tell={tell} />
      </div>
      <h3 className="mt-4 font-bold">Who has joined</h3>
      <ul className="mb-3">
        {status.guests.map(({ id, role, person }) => (
          <li key={id} className="flex items-center gap-3 border-b border-base-300 py-1">
            <span className="mr-auto">
              {role === "leader" && person === null ? "The leader’s window" : nameOf(person)},{" "}
              {ROLE_WORDS[role]}
            </span>
            {role === "player" && person !== null && (
              <button
                type="button"
                className="btn btn-xs"
                title="Another device can be this player then"
                onClick={() => tell({ act: "free", guestId: id })}
              >
                Free the name
              </button>
            )}
            {role !== "leader" && (
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => tell({ act: "remove", guestId: id })}
              >
                Put out
              </button>
            )}
          </li>
        ))}
      </ul>
      <button type="button" className="btn" onClick={() => tell({ act: "close" })}>
        Close it: all codes end
      </button>
    </div>
  );
}

const spaced = (code: string): string => `${code.slice(0, 3)} ${code.slice(3)}`;

function CodeCard({
  of: role,
  words,
  joining,
  tell,
}: {
  of: "player" | "viewer";
  words: string;
  joining: Joining | null;
  tell: (wanted: NetworkAct) => void;
}) {
  return (
    <div className="rounded-box border border-base-300 bg-base-100 p-3">
      <h3 className="font-bold">{words}</h3>
      {joining ? (
        <div className="flex flex-wrap items-center gap-4">
          {joining.qr && <QrCode code={joining.qr} label={`Join by camera: ${words}`} className="w-40" />}
          <div>
            <p className="font-mono text-3xl font-bold tracking-wider">{spaced(joining.code)}</p>
            <p className="mb-2 text-sm">the code to join with</p>
            <button type="button" className="btn btn-sm" onClick={() => tell({ act: "renew", role })}>
              New code
            </button>{" "}
            <button type="button" className="btn btn-sm" onClick={() => tell({ act: "withdraw", role })}>
              Withdraw
            </button>
          </div>
        </div>
      ) : (
        <p>
          Withdrawn: nobody joins, and who had joined by it is out.{" "}
          <button type="button" className="btn btn-sm" onClick={() => tell({ act: "renew", role })}>
            New code
          </button>
        </p>
      )}
    </div>
  );
}
