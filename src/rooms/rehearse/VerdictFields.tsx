import { songEdits } from "@/core/song/edit";
import { VERDICT_ID, VERDICTS, type Verdict } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { VERDICT_WORDS } from "@/ui/verdict-words";
import { useActOnSong, useSong } from "../open";

/** The leader's own verdict: it stands beside all that is worked out, and overrules it. */
export function VerdictFields() {
  const { verdicts } = useSong();
  const act = useActOnSong();
  const row = verdicts[VERDICT_ID];
  const { verdict, occasion, reasons } = row ?? { verdict: "open" as const, occasion: "", reasons: "" };
  const put = (fields: Partial<{ verdict: Verdict; occasion: string; reasons: string }>) =>
    act(
      row
        ? songEdits.set("verdicts", VERDICT_ID, fields)
        : songEdits.add("verdicts", { id: VERDICT_ID, verdict, occasion, reasons, ...fields }),
    );
  return (
    <section aria-labelledby="verdict" className="flex flex-col gap-3">
      <h2 id="verdict">Your own verdict</h2>
      <SelectField
        label="For us"
        value={verdict}
        options={VERDICTS.map((value) => ({ value, label: VERDICT_WORDS[value] }))}
        onSet={(value) => put({ verdict: value })}
      />
      <TextField
        label="For what occasion"
        longest={200}
        value={occasion}
        onSet={(text) => put({ occasion: text })}
      />
      <TextField label="Why" longest={1000} value={reasons} onSet={(text) => put({ reasons: text })} />
    </section>
  );
}
