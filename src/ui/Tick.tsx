type Props = {
  readonly label: string;
  readonly on: boolean;
  readonly onSet: (on: boolean) => void;
};

/** A thing that is so or not, ticked beside its name. */
export function Tick({ label, on, onSet }: Props) {
  return (
    <label className="flex min-h-8 items-center gap-2 leading-tight">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={on}
        onChange={(event) => onSet(event.target.checked)}
      />
      {label}
    </label>
  );
}
