/** Whether MIDI is there: nothing of the kind in this browser, not allowed, or what is plugged in. */
type Ports<Port> =
  | { readonly state: "none" }
  | { readonly state: "refused" }
  | { readonly state: "on"; readonly ports: readonly Port[] };

async function ports<Port>(of: (access: MIDIAccess) => Iterable<Port>): Promise<Ports<Port>> {
  if (!navigator.requestMIDIAccess) return { state: "none" };
  try {
    const found = [...of(await navigator.requestMIDIAccess())];
    return found.length > 0 ? { state: "on", ports: found } : { state: "none" };
  } catch {
    return { state: "refused" };
  }
}

/** What MIDI messages can come from. It asks the person for leave. */
export const midiInputs = (): Promise<Ports<MIDIInput>> => ports(({ inputs }) => inputs.values());

/** What MIDI messages can be sent to. It asks the person for leave. */
export const midiOutputs = (): Promise<Ports<MIDIOutput>> => ports(({ outputs }) => outputs.values());

/** Hears the messages of inputs, with their stamps. @returns what ends it */
export function hear(
  inputs: readonly MIDIInput[],
  onMessage: (bytes: readonly number[], stamp: number) => void,
): () => void {
  const listen = (event: MIDIMessageEvent) => onMessage([...(event.data ?? [])], event.timeStamp);
  for (const input of inputs) input.onmidimessage = listen;
  return () => {
    for (const input of inputs) input.onmidimessage = null;
  };
}
