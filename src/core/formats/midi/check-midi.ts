/**
 * Whether a file is built as a Standard MIDI File (MIDI 1.0): whole chunks, and in each track whole events whose
 * lengths stay inside it. The library that reads events trusts these numbers, and a false one can lead it backwards
 * without end; so they are looked at first. At most one step a byte.
 */
export function isWholeMidi(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 14 || idAt(bytes, 0) !== "MThd" || view.getUint32(4) !== 6) return false;
  const tracks = view.getUint16(10);
  let at = 14;
  for (let track = 0; track < tracks; track++) {
    if (at + 8 > bytes.length || idAt(bytes, at) !== "MTrk") return false;
    const end = at + 8 + view.getUint32(at + 4);
    if (end > bytes.length || !isWholeTrack(bytes.subarray(at + 8, end))) return false;
    at = end;
  }
  return true;
}

const idAt = (bytes: Uint8Array, at: number): string =>
  String.fromCharCode(...bytes.subarray(at, Math.min(at + 4, bytes.length)));

/** A number of at most four bytes, seven bits in each. @returns the place after it, or null */
function readNumber(track: Uint8Array, at: number): { value: number; next: number } | null {
  let value = 0;
  for (let index = at; index < Math.min(at + 4, track.length); index++) {
    value = value * 128 + (track[index]! & 0x7f);
    if (track[index]! < 0x80) return { value, next: index + 1 };
  }
  return null;
}

/** Data bytes of a channel message, by its kind. */
const dataBytes = (status: number): number => ((status & 0xe0) === 0xc0 ? 1 : 2);

function isWholeTrack(track: Uint8Array): boolean {
  let running = 0;
  let at = 0;
  while (at < track.length) {
    const delta = readNumber(track, at);
    if (!delta || delta.next >= track.length) return false;
    const status = track[delta.next]!;
    at = delta.next + 1;
    if (status === 0xff || status === 0xf0 || status === 0xf7) {
      const length = readNumber(track, status === 0xff ? at + 1 : at);
      if (!length) return false;
      at = length.next + length.value;
    } else if (status >= 0xf0) return false;
    else if (status >= 0x80) {
      running = status;
      at += dataBytes(status);
    } else {
      if (running === 0) return false;
      at += dataBytes(running) - 1;
    }
  }
  return at === track.length;
}
