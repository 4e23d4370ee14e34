import { useEffect, useRef, useState } from "react";
import type { Live, LiveLine } from "./live-line";

/** A player's own words at a section: on this screen, and on nobody else's. */
export function OwnNote({
  live,
  line,
  versionId,
  useId,
}: {
  live: Live;
  line: LiveLine;
  versionId: string;
  useId: string;
}) {
  const kept = live.notes.find((note) => note.versionId === versionId && note.useId === useId)?.text ?? "";
  const [open, setOpen] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a field that was open at another section is closed
  useEffect(() => setOpen(false), [versionId, useId]);
  useEffect(() => {
    if (open) field.current?.focus();
  }, [open]);
  if (!open)
    return (
      <p className="flex items-center gap-3 text-xl">
        <button type="button" className="btn btn-sm text-base" onClick={() => setOpen(true)}>
          {kept === "" ? "Own note" : "Change"}
        </button>
        {kept !== "" && <span>{kept}</span>}
      </p>
    );
  return (
    <form
      className="flex items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        line.note({ versionId, useId, text: field.current?.value.trim() ?? "" });
        setOpen(false);
      }}
    >
      <label className="flex flex-1 items-center gap-2 text-lg">
        Own note
        <input
          ref={field}
          className="input flex-1 text-lg"
          defaultValue={kept}
          maxLength={200}
          onKeyDown={(event) => event.key === "Escape" && setOpen(false)}
        />
      </label>
      <button type="submit" className="btn btn-primary">
        Keep
      </button>
    </form>
  );
}
