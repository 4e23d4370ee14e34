/** Bytes as base 64, in pieces small enough for a call. */
export function toBase64(bytes: Uint8Array): string {
  let text = "";
  for (let from = 0; from < bytes.length; from += 0x8000)
    text += String.fromCharCode(...bytes.subarray(from, from + 0x8000));
  return btoa(text);
}
